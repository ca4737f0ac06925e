import { useQuery } from "@tanstack/react-query";
import { api, unwrap } from "../../api/client";
import { useSettled } from "../../ui/use-settled";
import { workbenchKeys } from "../../domain/keys";

const FINGERS_REST_MS = 150;

export function usePanels() {
  return useQuery({
    queryKey: workbenchKeys.panels,
    queryFn: () => unwrap(api.GET("/api/workbench")),
    staleTime: Infinity,
  });
}

/** What a calculator gives for figures in SI, once the fingers rest. */
export function useAnswer(panel: string, si: Record<string, string>) {
  const rested = useSettled(JSON.stringify(si), FINGERS_REST_MS);
  return useQuery({
    queryKey: workbenchKeys.answer(panel, rested),
    queryFn: () =>
      unwrap(
        api.GET("/api/workbench/{panel}", {
          params: { path: { panel }, query: JSON.parse(rested) as never },
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
    staleTime: Infinity,
  });
}
