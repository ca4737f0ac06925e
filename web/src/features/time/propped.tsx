import { t } from "../../catalogue";
import type { Schemas } from "../../api/client";
import { Panel } from "../../ui/panel";

/** How far the toes waver by what the hand was propped on; nothing until two ways can be compared. */
export function ProppedHands({ propped }: { propped: Schemas["Propped"][] }) {
  if (propped.length === 0) return null;
  return (
    <Panel tight aria-label={t("time-propped")}>
      <h2 className="font-bold">{t("time-propped")}</h2>
      <ul className="list-disc pl-5">
        {propped.map((one) => (
          <li key={one.prop}>
            {t("time-propped-on", { prop: one.words, waviness: one.formatted, count: one.count })}
          </li>
        ))}
      </ul>
    </Panel>
  );
}
