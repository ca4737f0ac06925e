import { Say, t } from "../../catalogue";
import type { Schemas } from "../../api/client";
import { HelpMark } from "../../domain/help";

type Props = { measurement: Schemas["Measurement"] | undefined; busy: boolean };

/** How far a measurement is: refused and why, under way, or broken down. */
export function Standing({ measurement, busy }: Props) {
  const refusal = measurement?.report?.refusal;

  return (
    <>
      {refusal && (
        <p role="alert" className="alert alert-warning">
          <span>
            <Say
              id={refusal.code === "no_scale" ? "marking-not-measured-no-scale" : "marking-not-measured"}
              vars={{ message: refusal.message }}
              elems={{ strong: <strong /> }}
            />{" "}
            <HelpMark place="photo" words={t("common-photo-of-the-bead")} />
          </span>
        </p>
      )}
      {busy && (
        <p role="status" className="flex items-center gap-2">
          <span className="loading loading-dots" aria-hidden /> {t("marking-being-measured")}
        </p>
      )}
      {measurement?.state === "failed" && !busy && (
        <p role="alert" className="alert alert-error">
          {t("marking-measuring-failed-measure-again-or-mark")}
        </p>
      )}
    </>
  );
}
