import { useMutation } from "@tanstack/react-query";
import { t } from "../../catalogue";
import { vocabulary } from "../../api/generated-vocabulary";
import type { Schemas } from "../../api/client";
import { isOf } from "../../domain/outbox/changes";
import { box, post } from "../../domain/outbox/outbox";
import { useStored } from "../../ui/store";

const MAX_BYTES = vocabulary.most.photoBytes;
const MIB = 1024 * 1024;

export type Sending =
  | { state: "idle" }
  | { state: "sending"; share: number; waiting: boolean }
  | { state: "failed"; error: unknown };

/**
 * Sends a photo through the outbox: it is kept on the phone until it has arrived whole, so that a closed page or a lost
 * connection goes on where it stopped.
 */
export function useUpload(attempt: number, kind: Schemas["PhotoKind"] = "bead", run: number | null = null) {
  const { entries, opened, sending, waits } = useStored(box);
  const { mutate, error, variables } = useMutation({
    networkMode: "always",
    mutationFn: (file: File) => {
      if (file.size > MAX_BYTES)
        throw new Error(
          t("attempt-photo-too-large", {
            mb: (file.size / MIB).toFixed(1),
            most: (MAX_BYTES / MIB).toFixed(0),
          }),
        );
      return post({ what: "photo", attempt, kind, run, name: file.name, file });
    },
  });
  const mine = entries
    .filter((e) => e.what === "photo")
    .find((e) => isOf(e, attempt, opened) && e.kind === kind && e.run === run && e.refused === null);
  const state: Sending = mine
    ? {
        state: "sending",
        share: sending?.id === mine.id ? sending.share : 0,
        waiting: sending?.id !== mine.id && waits !== null,
      }
    : error
      ? { state: "failed", error }
      : { state: "idle" };
  return { sending: state, send: mutate, resume: () => variables && mutate(variables) };
}
