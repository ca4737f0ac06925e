import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, unwrap, type Schemas } from "../../api/client";
import { useCourse } from "../../domain/course";
import { measuringKeys } from "../../domain/keys";

/** A file as the whole body of a request. */
const asItIs = (file: File) => ({
  body: file as unknown as string,
  bodySerializer: (body?: string) => body,
  headers: { "Content-Type": "application/octet-stream" },
});

/** One's own phones and what was found of them; a photo of the target is measured at once and not kept. */
export function usePhoneChecks() {
  const queries = useQueryClient();
  const read = useQuery({
    queryKey: measuringKeys.phones,
    queryFn: () => unwrap(api.GET("/api/phone-checks")),
  });
  const check = useMutation({
    mutationFn: ({ phone, photo }: { phone: string; photo: File }) =>
      unwrap(api.POST("/api/phone-checks", { params: { query: { phone } }, ...asItIs(photo) })),
    onSuccess: () => queries.invalidateQueries({ queryKey: measuringKeys.phones }),
  });
  return { read, check };
}

/**
 * How true measuring is in the open course, the share of attempts that are asked for callipered
 * widths, and limits of faults.
 */
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
  const setLimit = useMutation({
    mutationFn: (body: Schemas["FaultLimitRequest"]) =>
      unwrap(api.PUT("/api/courses/{course_id}/fault-limit", { params: { path: { course_id: id } }, body })),
    onSuccess: (data) => queries.setQueryData(key, data),
  });
  return { read, setShare, setLimit };
}

const FOLLOWED_MS = 5000;

/** The open course's repeat studies; a second phone at the bench sees what the first one took. */
export function useStudies() {
  const { id } = useCourse();
  const queries = useQueryClient();
  const key = measuringKeys.studies(id);
  const params = { path: { course_id: id } };
  const read = useQuery({
    queryKey: key,
    queryFn: () => unwrap(api.GET("/api/courses/{course_id}/studies", { params })),
    refetchInterval: (query) =>
      query.state.data?.studies.some((study) => study.next !== null) ? FOLLOWED_MS : false,
  });
  const start = useMutation({
    mutationFn: (body: Schemas["StudyRequest"]) =>
      unwrap(api.POST("/api/courses/{course_id}/studies", { params, body })),
    onSuccess: () => queries.invalidateQueries({ queryKey: key }),
  });
  return { read, start };
}

/** Photographing for one study of the open course, and deleting it. */
export function useStudy(study: number) {
  const { id } = useCourse();
  const queries = useQueryClient();
  const again = () => queries.invalidateQueries({ queryKey: measuringKeys.studies(id) });
  const photograph = useMutation({
    mutationFn: ({ turn, photo }: { turn: number; photo: File }) =>
      unwrap(
        api.PUT("/api/studies/{study_id}/photos/{number}", {
          params: { path: { study_id: study, number: turn } },
          ...asItIs(photo),
        }),
      ),
    onSuccess: again,
  });
  const drop = useMutation({
    mutationFn: () =>
      unwrap(api.DELETE("/api/studies/{study_id}", { params: { path: { study_id: study } } })),
    onSuccess: again,
  });
  return { photograph, drop };
}

/** The open course's tint references: adding one by its photo, naming its places, deleting it. */
export function useTintReferences() {
  const { id } = useCourse();
  const queries = useQueryClient();
  const key = measuringKeys.tints(id);
  const params = { path: { course_id: id } };
  const onSuccess = () => queries.invalidateQueries({ queryKey: key });
  const read = useQuery({
    queryKey: key,
    queryFn: () => unwrap(api.GET("/api/courses/{course_id}/tint-references", { params })),
  });
  const add = useMutation({
    mutationFn: (photo: File) =>
      unwrap(api.POST("/api/courses/{course_id}/tint-references", { params, ...asItIs(photo) })),
    onSuccess,
  });
  const name = useMutation({
    mutationFn: ({ id: reference, ...body }: Schemas["NamedPlacesRequest"] & { id: number }) =>
      unwrap(
        api.PUT("/api/tint-references/{strip_id}", {
          params: { path: { strip_id: reference } },
          body,
        }),
      ),
    onSuccess,
  });
  const drop = useMutation({
    mutationFn: (reference: number) =>
      unwrap(api.DELETE("/api/tint-references/{strip_id}", { params: { path: { strip_id: reference } } })),
    onSuccess,
  });
  return { read, add, name, drop };
}
