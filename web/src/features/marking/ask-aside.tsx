import { t } from "../../catalogue";
import { useState } from "react";
import { vocabulary } from "../../api/generated-vocabulary";
import { useCourse } from "../../domain/course";
import { Dialog } from "../../ui/dialog";
import { AreaField } from "../../ui/field";
import { Problem } from "../../ui/states";
import { may, type Attempt } from "../../domain/use-attempt";
import { useAskSecond, useKeepReference } from "./queries";

/** What may be done with a mark besides: a blind second one, and keeping it as a reference for markers. */
export function AskAside({ attempt }: { attempt: Attempt }) {
  const ask = useAskSecond(attempt);
  const [keeping, setKeeping] = useState(false);
  const instructor = useCourse().role === "instructor";
  return (
    <>
      <div className="flex flex-wrap gap-2">
        {may(attempt, "ask_second") && !attempt.second && (
          <button className="btn btn-ghost btn-xs" disabled={ask.isPending} onClick={() => ask.mutate()}>
            {t("marking-ask-for-a-second-mark")}
          </button>
        )}
        {instructor && attempt.state === "returned" && (
          <button className="btn btn-ghost btn-xs" onClick={() => setKeeping(true)}>
            {t("marking-save-as-reference")}
          </button>
        )}
      </div>
      <Problem error={ask.error} />
      {keeping && <KeepDialog attempt={attempt} close={() => setKeeping(false)} />}
    </>
  );
}

function KeepDialog({ attempt, close }: { attempt: Attempt; close: () => void }) {
  const [comment, setComment] = useState("");
  const keep = useKeepReference(attempt.id);
  return (
    <Dialog title={t("marking-save-as-reference-bead")} close={close}>
      <AreaField
        label={t("marking-comment-for-markers-for-example-an")}
        rows={3}
        maxLength={vocabulary.most.next}
        value={comment}
        onChange={setComment}
      />
      <Problem error={keep.error} />
      <button
        className="btn mt-3 btn-primary"
        disabled={comment.trim() === "" || keep.isPending}
        onClick={() => keep.mutate(comment, { onSuccess: close })}
      >
        {t("marking-save-reference")}
      </button>
    </Dialog>
  );
}
