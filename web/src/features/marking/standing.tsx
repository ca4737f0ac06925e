import type { Schemas } from "../../api/client";

type Props = { measurement: Schemas["Measurement"] | undefined; busy: boolean };

/** How far a measurement is: refused and why, under way, or broken down. */
export function Standing({ measurement, busy }: Props) {
  const refusal = measurement?.report?.refusal;
  const byPoints = refusal?.code === "no_scale" ? ", or the scale by two points of known distance" : "";
  return (
    <>
      {refusal && (
        <p role="alert" className="alert alert-warning">
          <span>
            <strong>Not measured.</strong> {refusal.message} You can mark by eye{byPoints}.
          </span>
        </p>
      )}
      {busy && (
        <p role="status" className="flex items-center gap-2">
          <span className="loading loading-dots" aria-hidden /> Being measured.
        </p>
      )}
      {measurement?.state === "failed" && !busy && (
        <p role="alert" className="alert alert-error">
          Measuring failed. Measure again or mark by eye.
        </p>
      )}
    </>
  );
}
