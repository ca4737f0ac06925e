import { t } from "../../catalogue";
import { measure, type Units } from "../../domain/units";

type Props = {
  message: string;
  meant: number | undefined;
  units: Units;
  take: (value: number) => void;
  keep: () => void;
};

/** Asks about a figure that looks typed in another unit; the log is not saved before it is answered. */
export function Question({ message, meant, units, take, keep }: Props) {
  return (
    <div role="alert" className="mb-2 rounded-box bg-warning p-3 text-warning-content">
      <p className="font-semibold">{message}</p>
      <div className="mt-2 flex flex-wrap gap-2">
        {meant !== undefined && (
          <button type="button" className="btn h-12" onClick={() => take(meant)}>
            {t("attempt-use", { meant: measure(meant, "flow", units) })}
          </button>
        )}
        <button type="button" className="btn h-12" onClick={keep}>
          {t("attempt-keep-my-value")}
        </button>
      </div>
    </div>
  );
}
