import { t } from "../../../catalogue";
import { Camera } from "lucide-react";
import type { Schemas } from "../../../api/client";
import type { Units } from "../../../domain/units";
import { dateWords, fieldWords } from "../../../domain/words";
import { Panel } from "../../../ui/panel";
import { Problem } from "../../../ui/states";
import { useUpload } from "../use-upload";
import { Blank } from "./blank";
import { Result } from "./result";
import { nextLine, type Trial } from "./trial-shape";

export type ViewProps = {
  attempt: number;
  trial: Trial;
  units: Units;
  busy: boolean;
  change: (body: Schemas["TrialChangeRequest"]) => void;
  drop: () => void;
  take: (value: number | string, whose: Schemas["StartRequest"]["whose"]) => void;
};

/** One trial, in the order of the work: scribed, tapped through, photographed, read, and its setting taken. */
export function TrialView(props: ViewProps) {
  const { attempt, trial, busy, change, drop } = props;
  const next = nextLine(trial);
  const mine = trial.may.includes("change");
  const welded = trial.lines.filter((line) => line.welded).map((line) => line.number);
  const [first, last] = [trial.lines[0], trial.lines.at(-1)];
  return (
    <Panel className="space-y-3" aria-label={t("trials-number", { number: trial.number })}>
      <h2 className="text-lg font-bold">
        {t("trials-heading", {
          number: trial.number,
          what: fieldWords(trial.varied),
          first: first?.words ?? "",
          last: last?.words ?? "",
          date: dateWords(trial.made_at),
        })}
      </h2>
      <Blank trial={trial} />
      <a
        className="link"
        href={`/api/trials/${String(trial.id)}/scribe.pdf`}
        target="_blank"
        rel="noreferrer"
      >
        {t("trials-scribe")}
      </a>
      {mine && next && trial.beads.length === 0 && (
        <div className="space-y-2">
          <p className="text-2xl font-bold">{t("trials-next", { number: next.number, value: next.words })}</p>
          <button
            className="btn h-20 w-full text-2xl btn-primary"
            disabled={busy}
            onClick={() => change({ welded: [...welded, next.number] })}
          >
            {t("trials-welded", { number: next.number })}
          </button>
        </div>
      )}
      {mine && welded.length > 0 && trial.beads.length === 0 && (
        <button
          className="btn h-14 btn-outline"
          disabled={busy}
          onClick={() => change({ welded: welded.slice(0, -1) })}
        >
          {t("trials-undo")}
        </button>
      )}
      {mine && welded.length === 0 && !trial.photo && (
        <button className="btn btn-ghost" disabled={busy} onClick={drop}>
          {t("trials-drop")}
        </button>
      )}
      {mine && welded.length > 1 && <TakePhoto attempt={attempt} trial={trial} />}
      {trial.measuring && (
        <p role="status" className="flex items-center gap-2">
          <span className="loading loading-dots" aria-hidden /> {t("attempt-photo-received-measuring")}
        </p>
      )}
      {trial.refusal && (
        <p role="alert" className="alert alert-warning">
          {trial.refusal}
        </p>
      )}
      {trial.count && <Result {...props} />}
    </Panel>
  );
}

function TakePhoto({ attempt, trial }: { attempt: number; trial: Trial }) {
  const { sending, send, resume } = useUpload(attempt, "trial", trial.number);
  if (sending.state === "failed") return <Problem error={sending.error} again={resume} />;
  if (sending.state === "sending")
    return <p role="status">{t("attempt-sending", { share: (100 * sending.share).toFixed(0) })}</p>;
  return (
    <div className="space-y-2">
      <p className="text-sm">{t("trials-photo-how")}</p>
      <label
        className={`btn h-14 w-full text-lg focus-within:outline-3 ${trial.photo ? "btn-outline" : "btn-primary"}`}
      >
        <Camera aria-hidden /> {trial.photo ? t("attempt-retake-photo") : t("trials-photo")}
        <input
          type="file"
          className="sr-only"
          accept="image/jpeg,image/png,image/heic,.heic,.heif"
          onChange={(e) => {
            const file = e.target.files?.[0];
            e.target.value = "";
            if (file) send(file);
          }}
        />
      </label>
    </div>
  );
}
