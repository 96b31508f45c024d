import { queryOptions, useQuery } from "@tanstack/react-query";
import { answered, api } from "../api/client";
import { keys } from "./keys";

export const knowledge = queryOptions({
  queryKey: keys.knowledge,
  queryFn: () => answered(api.GET("/api/knowledge")),
  staleTime: Infinity,
});

export function useKnowledge() {
  return useQuery(knowledge);
}
