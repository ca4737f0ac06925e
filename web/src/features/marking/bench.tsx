import { t } from "../../catalogue";
import { useRef, useState } from "react";
import { BeadPhoto } from "../../domain/bead-photo";
import { Dialog } from "../../ui/dialog";
import { newest, type Attempt } from "../../domain/use-attempt";
import { AnswerDialog } from "./answer-dialog";
import { CausesPanel } from "./causes-panel";
import { Evidence } from "./evidence";
import { FindingsDialog } from "./findings-dialog";
import { MarkPanel } from "./mark-panel";
import { More } from "./more";
import { OffTheCard } from "./off-the-card";
import { PhrasesDialog } from "./phrases-dialog";
import { useJudgeCause, type useCauses } from "./queries";
import { filled, type Key, type Proposal } from "./score-shape";
import { useMark } from "./use-mark";

type BenchProps = {
  attempt: Attempt;
  proposal: Proposal;
  reload: () => Promise<unknown>;
  causes: ReturnType<typeof useCauses>;
  toNext: () => void;
};

/** Evidence and causes on the left, the mark on the right; what is long opens over them on a key. */
export function Bench({ attempt, proposal, reload, causes, toNext }: BenchProps) {
  const words = useRef<HTMLTextAreaElement>(null);
  const [over, setOver] = useState<Key | null>(null);
  const close = () => setOver(null);
  const ranked = causes.data?.causes ?? [];
  const open = (key: Key) => {
    if (key === "comment") words.current?.focus();
    else if (key === "both") both();
    else setOver(key);
  };
  const confirmed = ranked.find((one) => one.verdict === "confirmed")?.code ?? null;
  const mark = useMark({ attempt, proposal, confirmed, causes: ranked, reload, toNext, open });
  const judge = useJudgeCause(attempt.id);
  /** Both causes that are likely there: the first is what is to change, the second is kept beside it. */
  const both = () => {
    const two = causes.data?.both;
    const first = ranked.find((one) => one.code === two?.first);
    if (!two || !first) return;
    if (mark.cause !== first.code) mark.confirm(first);
    judge.mutate({ cause: two.second, verdict: "beside" });
  };
  const { photo, measurement } = newest(attempt);
  const write = (phrase: string) => {
    const text = filled(phrase, proposal.placeholders);
    mark.edit({ kind: "comment", text: mark.draft.comment ? `${mark.draft.comment} ${text}` : text });
    close();
  };
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <div className="min-w-0 space-y-2">
        <Evidence attempt={attempt} openPhoto={() => setOver("photo")} />
        <OffTheCard attempt={attempt} proposal={proposal} open={open} />
        <CausesPanel {...{ attempt, causes, both }} cause={mark.cause} confirm={mark.confirm} />
        <More
          {...{ attempt, mark }}
          open={over === "log"}
          toggle={() => setOver(over === "log" ? null : "log")}
        />
      </div>
      <MarkPanel {...{ attempt, proposal, mark, words, open }} />
      {over === "photo" && photo && (
        <Dialog title={t("marking-photo")} wide close={close}>
          <BeadPhoto photo={photo} overlay={measurement?.overlay ?? null} traced close={false} />
        </Dialog>
      )}
      {over === "findings" && <FindingsDialog attempt={attempt} proposal={proposal} close={close} />}
      {over === "phrases" && <PhrasesDialog values={proposal.placeholders} write={write} close={close} />}
      {(over === "another_photo" || over === "weld_again") && (
        <AnswerDialog attempt={attempt} answer={over} close={close} toNext={toNext} />
      )}
    </div>
  );
}
