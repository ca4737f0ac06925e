import { Say, t } from "../../catalogue";
import { Camera, ImageUp, Video, type LucideIcon } from "lucide-react";
import { Link } from "react-router";
import { usePaths } from "../../domain/course";
import { useState, type ChangeEvent, type ComponentProps } from "react";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { HelpMark } from "../../domain/help";
import { SameAs } from "../../domain/same-as";
import { may, newest, type Attempt } from "../../domain/use-attempt";
import { BeadResult } from "./bead-result";
import { precheckPhoto, type PhotoProblem } from "./precheck";
import { useUpload, type Sending } from "./use-upload";

type Looked = null | "looking" | { file: File; seen: PhotoProblem[] };

/** Sending the photo of the bead, following it while it is measured, and what came of it. */
export function PhotoStep({ attempt }: { attempt: Attempt }) {
  const { sending, send, resume } = useUpload(attempt.id);
  const [looked, setLooked] = useState<Looked>(null);
  const { photo, measurement, busy } = newest(attempt);
  const refusal = measurement?.report?.refusal;
  const doubtful = looked !== null && looked !== "looking" ? looked : null;
  const pick = (e: ChangeEvent<HTMLInputElement>) => {
    const file = e.target.files?.[0];
    e.target.value = "";
    if (!file) return;
    setLooked("looking");
    void precheckPhoto(file).then((seen) => {
      setLooked(seen.length > 0 ? { file, seen } : null);
      if (seen.length === 0) send(file);
    });
  };
  return (
    <Panel>
      <h2 className="text-lg font-bold">{t("common-photo-of-the-bead")}</h2>
      {may(attempt, "add_photo") && <HowTo />}
      {may(attempt, "add_photo") && (sending.state !== "sending" || sending.waiting) && (
        <div className="grid gap-2 sm:grid-cols-3">
          <PickButton
            icon={Camera}
            words={photo || doubtful ? t("attempt-retake-photo") : t("attempt-take-photo")}
            primary
            accept="image/*"
            capture="environment"
            onChange={pick}
          />
          <PickButton
            icon={Video}
            words={t("attempt-film-it")}
            accept="video/mp4,video/quicktime"
            capture="environment"
            onChange={pick}
          />
          <PickButton
            icon={ImageUp}
            words={t("attempt-choose-a-file")}
            accept="image/jpeg,image/png,image/heic,.heic,.heif,video/mp4,video/quicktime"
            onChange={pick}
          />
        </div>
      )}
      <div aria-live="polite" className="mt-3 space-y-3">
        {looked === "looking" && <Busy words={t("attempt-checking-the-photo")} />}
        {doubtful && (
          <Doubt
            seen={doubtful.seen}
            anyway={() => {
              send(doubtful.file);
              setLooked(null);
            }}
          />
        )}
        <Progress sending={sending} resume={resume} />
        {busy && <Busy words={t("attempt-photo-received-measuring")} />}
        {measurement?.state === "failed" && (
          <Problem error={new Error(t("attempt-measuring-broke-down-the-photo-is"))} />
        )}
        {refusal && !busy && (
          <div role="alert" className="alert alert-warning">
            <p>
              <strong>{t("attempt-not-measured")}</strong> {refusal.message} <PhotoHelp />
            </p>
          </div>
        )}
      </div>
      <SameAs photo={photo} />
      {photo && <BeadResult attempt={attempt} photo={photo} measurement={measurement} />}
    </Panel>
  );
}

function PhotoHelp() {
  return <HelpMark place="photo" words={t("common-photo-of-the-bead")} />;
}

function HowTo() {
  const paths = usePaths();
  return (
    <p className="mb-3">
      <Say
        id="attempt-let-the-coupon-cool-lay-the"
        elems={{
          a: <a className="link" href="/api/scale-card/window" target="_blank" rel="noreferrer" />,
          a2: (
            <a className="link" href="/api/scale-card/window?paper=letter" target="_blank" rel="noreferrer" />
          ),
        }}
      />{" "}
      <Link className="link" to={paths.to("measuring")}>
        {t("measuring-phone")}
      </Link>{" "}
      <PhotoHelp />
    </p>
  );
}

type PickProps = { icon: LucideIcon; words: string; primary?: boolean } & ComponentProps<"input">;

function PickButton({ icon: Icon, words, primary = false, ...input }: PickProps) {
  const look = primary ? "btn-primary" : "";
  return (
    <label className={`btn h-14 text-lg focus-within:outline-3 focus-within:outline-secondary ${look}`}>
      <Icon size={22} aria-hidden /> {words}
      <input type="file" className="sr-only" {...input} />
    </label>
  );
}

function Busy({ words }: { words: string }) {
  return (
    <p className="flex items-center gap-2">
      <span className="loading loading-dots" aria-hidden /> {words}
    </p>
  );
}

function Doubt({ seen, anyway }: { seen: PhotoProblem[]; anyway: () => void }) {
  return (
    <div role="alert" className="alert items-start alert-warning">
      <div>
        <p className="font-bold">
          {t("attempt-not-sent-yet-this-photo-probably")} <PhotoHelp />
        </p>
        <ul className="my-1 list-inside list-disc">
          {seen.map((s) => (
            <li key={s.code}>{s.message}</li>
          ))}
        </ul>
        <button className="btn mt-1 btn-sm" onClick={anyway}>
          {t("attempt-send-photo-anyway")}
        </button>
      </div>
    </div>
  );
}

function Progress({ sending, resume }: { sending: Sending; resume: () => void }) {
  if (sending.state === "failed") return <Problem error={sending.error} again={resume} />;
  if (sending.state !== "sending") return null;
  const percent = sending.share * 100;
  return (
    <div>
      <p>
        {sending.waiting
          ? t("attempt-no-connection-sending-resumes-by-itself")
          : t("attempt-sending", { share: percent.toFixed(0) })}
      </p>
      <progress
        className="progress w-full progress-primary"
        value={percent}
        max={100}
        aria-label={t("attempt-sending-the-photo")}
      />
    </div>
  );
}
