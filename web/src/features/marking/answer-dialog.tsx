import { t } from "../../catalogue";
import { useState } from "react";
import { vocabulary } from "../../api/generated-vocabulary";
import { Dialog } from "../../ui/dialog";
import { AreaField } from "../../ui/field";
import { Problem } from "../../ui/states";
import { offerUndo } from "../../domain/undo";
import type { Attempt } from "../../domain/use-attempt";
import { useAnswer } from "./queries";

const words = {
  another_photo: {
    title: t("marking-ask-for-another-photo"),
    done: t("marking-new-photo-requested-from"),
    hint: t("marking-what-is-wrong-with-this-photo"),
  },
  weld_again: {
    title: t("marking-weld-again"),
    done: t("marking-sent-back-to-weld-again"),
    hint: t("marking-why-does-this-coupon-not-count"),
  },
};

type Props = {
  attempt: Attempt;
  answer: keyof typeof words;
  close: () => void;
  toNext: () => void;
};

/** An answer beside a mark, with the reason that the student reads. */
export function AnswerDialog({ attempt, answer, close, toNext }: Props) {
  const [why, setWhy] = useState("");
  const give = useAnswer(attempt);
  const { title, done, hint } = words[answer];
  return (
    <Dialog title={title} close={close}>
      <form
        className="space-y-3"
        onSubmit={(e) => {
          e.preventDefault();
          give.mutate(
            { answer, why },
            {
              onSuccess: () => {
                offerUndo(attempt.id, `${done} ${attempt.student.display_name}.`);
                close();
                toNext();
              },
            },
          );
        }}
      >
        <AreaField
          label={t("marking-shown-to-the-student", { hint })}
          rows={3}
          required
          maxLength={vocabulary.most.next}
          value={why}
          onChange={setWhy}
        />
        <Problem error={give.error} />
        <button className="btn btn-primary" disabled={give.isPending || why.trim() === ""}>
          {title}
        </button>
      </form>
    </Dialog>
  );
}
