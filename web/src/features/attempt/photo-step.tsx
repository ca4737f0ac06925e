import { Camera, ImageUp, type LucideIcon } from "lucide-react";
import { useState, type ChangeEvent, type ComponentProps } from "react";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
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
      <h2 className="text-lg font-bold">Photo of the bead</h2>
      {may(attempt, "add_photo") && <HowTo />}
      {may(attempt, "add_photo") && sending.state !== "sending" && (
        <div className="grid gap-2 sm:grid-cols-2">
          <PickButton
            icon={Camera}
            words={photo || doubtful ? "Retake photo" : "Take photo"}
            primary
            accept="image/*"
            capture="environment"
            onChange={pick}
          />
          <PickButton
            icon={ImageUp}
            words="Choose a file"
            accept="image/jpeg,image/png,image/heic,.heic,.heif"
            onChange={pick}
          />
        </div>
      )}
      <div aria-live="polite" className="mt-3 space-y-3">
        {looked === "looking" && <Busy words="Checking the photo." />}
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
        {busy && <Busy words="Photo received. Measuring …" />}
        {measurement?.state === "failed" && (
          <Problem
            error={
              new Error(
                "Measuring broke down. The photo is safe; your instructor can have it measured again.",
              )
            }
          />
        )}
        {refusal && !busy && (
          <div role="alert" className="alert alert-warning">
            <p>
              <strong>Not measured.</strong> {refusal.message}
            </p>
          </div>
        )}
      </div>
      {photo && <BeadResult attempt={attempt} photo={photo} measurement={measurement} />}
    </Panel>
  );
}

function HowTo() {
  return (
    <p className="mb-3">
      Let the coupon cool. Lay the scale card on it. Hold the phone flat above, all black squares in view, no
      flash.{" "}
      <a className="link" href="/api/scale-card/window" target="_blank" rel="noreferrer">
        Print a scale card
      </a>{" "}
      (
      <a className="link" href="/api/scale-card/window?paper=letter" target="_blank" rel="noreferrer">
        Letter
      </a>
      )
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
        <p className="font-bold">Not sent yet: this photo probably can't be measured.</p>
        <ul className="my-1 list-inside list-disc">
          {seen.map((s) => (
            <li key={s.code}>{s.message}</li>
          ))}
        </ul>
        <button className="btn mt-1 btn-sm" onClick={anyway}>
          Send photo anyway
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
        {sending.waiting ? "No connection. Sending resumes by itself …" : `Sending: ${percent.toFixed(0)} %`}
      </p>
      <progress
        className="progress w-full progress-primary"
        value={percent}
        max={100}
        aria-label="Sending the photo"
      />
    </div>
  );
}
