import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback } from "react";
import { api, unwrap, type Schemas } from "../api/client";
import { allAfter } from "./course";
import { useStored } from "../ui/store";
import { attemptKeys, recordKeys } from "./keys";
import { sourceOf, withWaiting, type Change } from "./outbox/changes";
import { box, post } from "./outbox/outbox";

export type Attempt = Schemas["Attempt"];
export type Brief = Schemas["AttemptBrief"];
export type Step = Attempt["may"][number];

/** The attempt that the server knows of one that was opened here without a connection; any other is its own. */
export function useSource(id: number): number {
  const { entries, opened } = useStored(box);
  return sourceOf(opened[id] ?? id, entries);
}

const WHILE_MEASURING_MS = 1500;

export const may = (attempt: Pick<Attempt, "may">, step: Step) => attempt.may.includes(step);

/** Whether an attempt is gone on with at the booth: until its bead waits for a mark; then the next one is welded. */
export const goesOn = (attempt: Pick<Brief, "may" | "state">) =>
  may(attempt, "log") && attempt.state !== "measured";

/** One attempt, with what waits to be sent already in it. */
export function useAttempt(id: number) {
  const { entries, opened } = useStored(box);
  const source = useSource(id);
  return useQuery({
    queryKey: attemptKeys.one(source),
    queryFn: () =>
      unwrap(api.GET("/api/attempts/{attempt_id}", { params: { path: { attempt_id: source } } })),
    select: useCallback(
      (attempt: Attempt) => withWaiting(attempt, id, entries, opened),
      [id, entries, opened],
    ),
    // While a photo is being measured the page follows it.
    refetchInterval: (query) => (query.state.data?.measuring ? WHILE_MEASURING_MS : false),
  });
}

/** The photo to show, its measurement that counts (else its newest), and whether one is under way. */
export function newest(attempt: Attempt) {
  const beads = attempt.photos.filter((p) => p.kind === "bead");
  const all = beads.flatMap((photo) => photo.measurements.map((measurement) => ({ photo, measurement })));
  const counts = all.find(({ measurement }) => measurement.id === attempt.measurement?.id) ?? all[0];
  return {
    photo: counts?.photo ?? beads[0],
    measurement: counts?.measurement,
    busy: attempt.measuring,
  };
}

export type AttemptFilter = { student?: number; state?: Brief["state"][]; assignment?: number };

/** Every attempt of a course that fits, last changed first, over all pages of the list. */
export function useCourseAttempts(courseId: number, filter: AttemptFilter = {}) {
  return useQuery({
    queryKey: recordKeys.list(courseId, filter),
    queryFn: () =>
      allAfter((cursor) =>
        unwrap(
          api.GET("/api/courses/{course_id}/attempts", {
            params: { path: { course_id: courseId }, query: { cursor, page_size: 100, ...filter } },
          }),
        ),
      ),
    refetchInterval: (query) => (query.state.data?.some((a) => a.measuring) ? 2 * WHILE_MEASURING_MS : false),
  });
}

/** A change of an attempt that answers with the attempt as it then is. */
export function useAttemptChange<T>(id: number, change: (given: T) => Promise<Attempt>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: (attempt) => {
      queries.setQueryData(attemptKeys.one(id), attempt);
      void queries.invalidateQueries({ queryKey: recordKeys.all });
    },
  });
}

/** A change that goes through the outbox: made at once for the person who makes it, sent when the server is reached. */
export function useOutboxChange<T>(toChange: (given: T) => Change) {
  return useMutation({ networkMode: "always", mutationFn: (given: T) => post(toChange(given)) });
}
