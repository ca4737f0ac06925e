import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, unwrap, type Schemas } from "../../api/client";
import { useCourse } from "../../domain/course";
import { stockKeys } from "../../domain/keys";

export type Store = Schemas["Store"];
export type Item = Schemas["StockItem"];
export type Kind = Schemas["StockKind"];
export type Bottle = Schemas["BottleInUse"];

/** All that the course has to weld with, and everything that changes it; most changes answer with all of it. */
export function useStore() {
  const { id } = useCourse();
  const queries = useQueryClient();
  const key = stockKeys.all(id);
  const course = { course_id: id };
  const update = (after: Store) => queries.setQueryData(key, after);
  const again = () => queries.invalidateQueries({ queryKey: key });
  const read = useQuery({
    queryKey: key,
    queryFn: () => unwrap(api.GET("/api/courses/{course_id}/stock", { params: { path: course } })),
  });
  const keep = useMutation({
    mutationFn: ({ item, ...body }: Schemas["StockItemRequest"] & { item: number | null }) =>
      unwrap(
        item === null
          ? api.POST("/api/courses/{course_id}/stock", { params: { path: course }, body })
          : api.PUT("/api/courses/{course_id}/stock/{item_id}", {
              params: { path: { ...course, item_id: item } },
              body,
            }),
      ),
    onSuccess: update,
  });
  const drop = useMutation({
    mutationFn: (item: number) =>
      unwrap(
        api.DELETE("/api/courses/{course_id}/stock/{item_id}", {
          params: { path: { ...course, item_id: item } },
        }),
      ),
    onSuccess: again,
  });
  const move = useMutation({
    mutationFn: ({ item, ...body }: Schemas["StockMoveRequest"] & { item: number }) =>
      unwrap(
        api.POST("/api/courses/{course_id}/stock/{item_id}/moves", {
          params: { path: { ...course, item_id: item } },
          body,
        }),
      ),
    onSuccess: update,
  });
  const open = useMutation({
    mutationFn: (body: Schemas["OpenBottleRequest"]) =>
      unwrap(api.POST("/api/courses/{course_id}/bottles", { params: { path: course }, body })),
    onSuccess: update,
  });
  const setBottle = useMutation({
    mutationFn: ({ bottle, ...body }: Schemas["BottleRequest"] & { bottle: number }) =>
      unwrap(api.PUT("/api/bottles/{bottle_id}", { params: { path: { bottle_id: bottle } }, body })),
    onSuccess: update,
  });
  return { read, keep, drop, move, open, setBottle, again };
}

export type Change = ReturnType<typeof useStore>;

export type CutAsked = { sessions: number; kerf_mm: number; turns: boolean };

/** The blanks of the coming sessions laid on what there is to cut. */
export function useCutList(asked: CutAsked) {
  const { id } = useCourse();
  return useQuery({
    queryKey: stockKeys.cutList(id, asked),
    queryFn: () =>
      unwrap(
        api.GET("/api/courses/{course_id}/cut-list", {
          params: { path: { course_id: id }, query: asked },
        }),
      ),
  });
}
