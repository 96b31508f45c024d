import type { ReactNode } from "react";
import { BrowserRouter } from "react-router";

/**
 * What is picked, filtered and folded stands in the address, so a change of the address is a change
 * of what the next key acts on. It is drawn before the next key or click is handled: as a
 * transition, which the router makes of it by itself, a busy page would let the next click count
 * from picks that were there before the last one.
 */
export function Addresses({ children }: { children: ReactNode }) {
  return <BrowserRouter useTransitions={false}>{children}</BrowserRouter>;
}
