import { Camera, ImageUp } from "lucide-react";
import { useState, type ChangeEvent } from "react";
import { CursorScope } from "../../ui/cursor";
import { BeadPhoto } from "../../ui/bead-photo";
import { FaultCrops } from "../../ui/fault-crops";
import { Problem } from "../../ui/states";
import { TintBadge } from "../../ui/tint";
import { StripWithTracks } from "../../ui/strip-with-tracks";
import { newest, type Attempt } from "../../ui/use-attempt";
import { useUnits } from "../../ui/use-units";
import { measure } from "../../ui/units";
import { percent } from "../../ui/words";
import { lookOver, type Seen } from "./look-over";
import { useUpload } from "./use-upload";

type Looked = null | "looking" | { file: File; seen: Seen[] };

export function PhotoStep({ attempt }: { attempt: Attempt }) {
  const { sending, send, resume } = useUpload(attempt.id);
  const [looked, setLooked] = useState<Looked>(null);
  const { photo, measurement, busy } = newest(attempt);
  const units = useUnits();
  const report = measurement?.report;
  const refusal = report?.refusal;
  const pick = (e: ChangeEvent<HTMLInputElement>) => {
    const file = e.target.files?.[0];
    e.target.value = "";
    if (!file) return;
    setLooked("looking");
    void lookOver(file).then((seen) => {
      setLooked(seen.length > 0 ? { file, seen } : null);
      if (seen.length === 0) send(file);
    });
  };
  return (
    <section className="rounded-box border border-base-300 bg-base-100 p-4">
      <h2 className="text-lg font-bold">Photo of the bead</h2>
      <p className="mb-3">
        Lay the scale card on the coupon, hold the phone flat above it, all black squares in the picture, no
        flash.{" "}
        <a className="link" href="/api/scale-card/window" target="_blank" rel="noreferrer">
          Print a card
        </a>{" "}
        (
        <a className="link" href="/api/scale-card/window?paper=letter" target="_blank" rel="noreferrer">
          Letter
        </a>
        )
      </p>
      {sending.state !== "sending" && (
        <div className="grid gap-2 sm:grid-cols-2">
          <label className="btn h-14 text-lg btn-primary focus-within:outline-3 focus-within:outline-secondary">
            <Camera size={22} aria-hidden />{" "}
            {photo || (looked && looked !== "looking") ? "Take it again" : "Take the photo"}
            <input type="file" accept="image/*" capture="environment" className="sr-only" onChange={pick} />
          </label>
          <label className="btn h-14 text-lg focus-within:outline-3 focus-within:outline-secondary">
            <ImageUp size={22} aria-hidden /> Choose a file
            <input
              type="file"
              accept="image/jpeg,image/png,image/heic,.heic,.heif"
              className="sr-only"
              onChange={pick}
            />
          </label>
        </div>
      )}
      <div aria-live="polite" className="mt-3 space-y-3">
        {looked === "looking" && (
          <p className="flex items-center gap-2">
            <span className="loading loading-dots" aria-hidden /> Looking at the photo.
          </p>
        )}
        {looked && looked !== "looking" && (
          <div role="alert" className="alert items-start alert-warning">
            <div>
              <p className="font-bold">Not sent yet: this photo will hardly be measured.</p>
              <ul className="my-1 list-inside list-disc">
                {looked.seen.map((s) => (
                  <li key={s.code}>{s.message}</li>
                ))}
              </ul>
              <button
                className="btn mt-1 btn-sm"
                onClick={() => {
                  send(looked.file);
                  setLooked(null);
                }}
              >
                Send it anyway
              </button>
            </div>
          </div>
        )}
        {sending.state === "sending" && (
          <div>
            <p>
              {sending.waiting
                ? "No connection; waiting to go on …"
                : `Sending: ${(sending.share * 100).toFixed(0)} %`}
            </p>
            <progress
              className="progress w-full progress-primary"
              value={sending.share * 100}
              max={100}
              aria-label="Sending the photo"
            />
          </div>
        )}
        {sending.state === "failed" && <Problem error={sending.error} again={resume} />}
        {busy && (
          <p className="flex items-center gap-2">
            <span className="loading loading-dots" aria-hidden /> The photo has arrived and is being measured.
          </p>
        )}
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
      {photo && (
        <CursorScope>
          <div className="mt-3 space-y-3">
            <BeadPhoto photo={photo} overlay={measurement?.overlay ?? null} traced close={false} />
            {report?.bead && measurement?.strip && (
              <>
                <dl className="grid grid-cols-2 gap-2 sm:grid-cols-4">
                  <Figure words="Width" value={measure(report.bead.width_mm.mean, "length", units)} />
                  <Figure words="Width varies" value={percent(report.bead.width_mm.cv)} />
                  <Figure
                    words="Ripples vary"
                    value={report.ripple ? percent(report.ripple.cv) : "none to see"}
                  />
                  <div>
                    <dt className="quiet text-sm">Heat tint</dt>
                    <dd className="text-lg font-semibold">
                      <TintBadge level={report.tint?.bead.level} />
                    </dd>
                  </div>
                </dl>
                <StripWithTracks
                  strip={measurement.strip}
                  report={report}
                  overlay={measurement.overlay}
                  units={units}
                />
                {measurement.overlay && (
                  <FaultCrops
                    defects={report.defects ?? []}
                    photo={photo}
                    overlay={measurement.overlay}
                    units={units}
                  />
                )}
                {measurement.corrected && <p className="text-sm">Corrected by hand by your instructor.</p>}
              </>
            )}
          </div>
        </CursorScope>
      )}
    </section>
  );
}

function Figure({ words, value }: { words: string; value: string }) {
  return (
    <div>
      <dt className="quiet text-sm">{words}</dt>
      <dd className="text-lg font-semibold">{value}</dd>
    </div>
  );
}
