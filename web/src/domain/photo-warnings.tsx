import { t } from "../catalogue";
import { TriangleAlert } from "lucide-react";
import type { Schemas } from "../api/client";
import { photoWarning } from "./words";

/** What the measurement itself warns of: figures to be taken with care. */
export function PhotoWarnings({ report }: { report: Schemas["Report"] }) {
  const warnings = report.quality?.warnings ?? [];
  if (warnings.length === 0) return null;
  return (
    <ul aria-label={t("shared-warnings-about-this-photo")} className="space-y-1 text-sm">
      {warnings.map((warning) => (
        <li key={warning} className="flex items-start gap-2">
          <TriangleAlert size={18} className="mt-0.5 shrink-0 text-error" aria-hidden />
          <span>{photoWarning(warning)}</span>
        </li>
      ))}
    </ul>
  );
}
