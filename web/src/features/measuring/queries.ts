import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, unwrap } from "../../api/client";
import { useCourse } from "../../domain/course";
import { measuringKeys } from "../../domain/keys";

/** One's own phones and what was found of them; a photo of the target is measured at once and not kept. */
export function usePhoneChecks() {
  const queries = useQueryClient();
  const read = useQuery({
    queryKey: measuringKeys.phones,
    queryFn: () => unwrap(api.GET("/api/phone-checks")),
  });
  const check = useMutation({
    mutationFn: ({ phone, photo }: { phone: string; photo: File }) =>
      unwrap(
        api.POST("/api/phone-checks", {
          params: { query: { phone } },
          body: photo as unknown as string,
          bodySerializer: (body) => body,
          headers: { "Content-Type": "application/octet-stream" },
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: measuringKeys.phones }),
  });
  return { read, check };
}

/** How true measuring is in the open course, and the share of attempts that are asked for callipered widths. */
export function useMeasuring() {
  const { id } = useCourse();
  const queries = useQueryClient();
  const key = measuringKeys.course(id);
  const read = useQuery({
    queryKey: key,
    queryFn: () =>
      unwrap(api.GET("/api/courses/{course_id}/measuring", { params: { path: { course_id: id } } })),
  });
  const setShare = useMutation({
    mutationFn: (share: number) =>
      unwrap(
        api.PUT("/api/courses/{course_id}/calliper-share", {
          params: { path: { course_id: id } },
          body: { share },
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: key }),
  });
  return { read, setShare };
}
