import { t } from "../../catalogue";
import { ImagePlus } from "lucide-react";
import type { Schemas } from "../../api/client";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import type { Attempt } from "../../domain/use-attempt";
import { RunBeads } from "../../domain/run-beads";
import { useSetup } from "../../domain/use-setup";
import { ViewsOf } from "../../domain/views-of";
import { viewWords } from "../../domain/words";
import { useUpload, type Sending } from "./use-upload";

type Kind = Exclude<Schemas["PhotoKind"], "bead">;

/** Photos beside the one of the bead. Those of covered runs are measured; on the torch an angle can be read. */
export function OtherViews({ attempt }: { attempt: Attempt }) {
  // The other light is read together with a photo of the bead.
  const lit = attempt.photos.some((p) => p.kind === "bead");
  return (
    <Panel>
      <h2 className="text-lg font-bold">{t("common-other-photos")}</h2>
      {lit && <p className="quiet mb-2 text-sm">{t("attempt-lamp-photo-how")}</p>}
      <p className="quiet mb-2 text-sm">{t("attempt-torch-photo-arc-off-pedal-released")}</p>
      <div className="grid gap-2 sm:grid-cols-2">
        {lit && <AddView attemptId={attempt.id} kind="lamp" words={viewWords("lamp")} />}
        {(["back", "setup", "torch"] as const).map((kind) => (
          <AddView key={kind} attemptId={attempt.id} kind={kind} words={viewWords(kind)} />
        ))}
      </div>
      <Runs attempt={attempt} />
      <ViewsOf attempt={attempt} />
    </Panel>
  );
}

/** Photos of the runs that the next one covers. */
function Runs({ attempt }: { attempt: Attempt }) {
  const planned = useSetup(attempt.id, attempt.version).data?.planned_runs.length ?? 0;
  const covered = Math.max(planned, attempt.runs.length) - 1;
  if (covered < 1) return null;
  return (
    <>
      <p className="quiet mt-3 mb-2 text-sm">{t("attempt-runs-before-cover")}</p>
      <div className="grid gap-2 sm:grid-cols-3">
        {Array.from({ length: covered }, (_, k) => k + 1).map((run) => (
          <AddView
            key={run}
            attemptId={attempt.id}
            kind="run"
            run={run}
            words={t("attempt-photo-of-run", { number: run })}
          />
        ))}
      </div>
      <RunBeads attempt={attempt} />
    </>
  );
}

type AddProps = { attemptId: number; kind: Kind; run?: number; words: string };

function AddView({ attemptId, kind, run, words }: AddProps) {
  const { sending, send, resume } = useUpload(attemptId, kind, run ?? null);
  return (
    <div>
      <label className="btn h-12 w-full focus-within:outline-3 focus-within:outline-secondary">
        <ImagePlus size={18} aria-hidden /> {sendingWords(sending) ?? words}
        <input
          type="file"
          accept="image/jpeg,image/png,image/heic,.heic,.heif"
          className="sr-only"
          disabled={sending.state === "sending"}
          onChange={(e) => {
            const file = e.target.files?.[0];
            if (file) send(file);
            e.target.value = "";
          }}
        />
      </label>
      {sending.state === "failed" && <Problem error={sending.error} again={resume} />}
    </div>
  );
}

function sendingWords(sending: Sending): string | null {
  if (sending.state !== "sending") return null;
  return sending.waiting
    ? t("shared-waits-to-be-sent")
    : t("attempt-sending", { share: (sending.share * 100).toFixed(0) });
}
