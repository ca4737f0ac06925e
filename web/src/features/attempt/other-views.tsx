import { t } from "../../catalogue";
import { ImagePlus } from "lucide-react";
import type { Schemas } from "../../api/client";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import type { Attempt } from "../../domain/use-attempt";
import { ViewsOf } from "../../domain/views-of";
import { viewWords } from "../../domain/words";
import { useUpload } from "./use-upload";

type Kind = Exclude<Schemas["PhotoKind"], "bead">;

/** Photos beside the one of the bead: they are looked at, not measured; on the torch an angle can be read. */
export function OtherViews({ attempt }: { attempt: Attempt }) {
  return (
    <Panel>
      <h2 className="text-lg font-bold">{t("common-other-photos")}</h2>
      <p className="quiet mb-2 text-sm">{t("attempt-torch-photo-arc-off-pedal-released")}</p>
      <div className="grid gap-2 sm:grid-cols-3">
        {(["back", "setup", "torch"] as const).map((kind) => (
          <AddView key={kind} attemptId={attempt.id} kind={kind} />
        ))}
      </div>
      <ViewsOf attempt={attempt} />
    </Panel>
  );
}

function AddView({ attemptId, kind }: { attemptId: number; kind: Kind }) {
  const { sending, send, resume } = useUpload(attemptId, kind);
  return (
    <div>
      <label className="btn h-12 w-full focus-within:outline-3 focus-within:outline-secondary">
        <ImagePlus size={18} aria-hidden />{" "}
        {sending.state === "sending"
          ? t("attempt-sending", { share: (sending.share * 100).toFixed(0) })
          : viewWords(kind)}
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
