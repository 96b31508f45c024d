import type { Mix } from "../api/client";

/** Kinds of job, in the order of the work. */
export const JOBS: { id: Mix["job"]; label: string }[] = [
  { id: "record", label: "to record" },
  { id: "mix", label: "to mix" },
  { id: "album", label: "for albums" },
  { id: "master", label: "to master" },
  { id: "post", label: "for post-production" },
];
