import { t } from "../catalogue";
import { CircleAlert, Hourglass } from "lucide-react";
import type { ReactNode } from "react";
import { Refused } from "../api/client";
import { HERE, helpPlace, helpStands } from "./help-place";
import { useStored } from "./store";

export function Loading() {
  return (
    <p role="status" className="flex items-center gap-3 p-6">
      <Hourglass size={20} aria-hidden /> {t("ui-loading")}
    </p>
  );
}

export function Empty({ children }: { children: ReactNode }) {
  return <div className="h-fit rounded-box border border-dashed border-base-content/40 p-6">{children}</div>;
}

/** What went wrong, in words, with every refused field. */
export function Problem({ error, again }: { error: unknown; again?: () => void }) {
  const help = useStored(helpStands);
  if (!error) return null;
  const problem = error instanceof Refused ? error.problem : null;
  const fields = problem?.errors ?? [];
  return (
    <div role="alert" className="alert items-start border-error bg-base-100 text-error">
      <CircleAlert size={20} aria-hidden />
      <div className="min-w-0">
        {fields.length === 0 && (
          <p>{error instanceof Error ? error.message : t("ui-something-went-wrong")}</p>
        )}
        {fields.map((f) => (
          <p key={`${f.field}-${f.allowed}`}>{f.message}</p>
        ))}
        <div className="flex flex-wrap items-center gap-3 empty:hidden">
          {again && (
            <button className="btn mt-2 btn-sm" onClick={again}>
              {t("ui-try-again")}
            </button>
          )}
          {help && (
            <button type="button" className="link text-sm" onClick={() => helpPlace.set(HERE)}>
              {t("ui-open-help")}
            </button>
          )}
        </div>
      </div>
    </div>
  );
}
