import { t } from "../../catalogue";
import type { Schemas } from "../../api/client";
import { Panel } from "../../ui/panel";
import { dateWords } from "../../domain/words";

const SHOWN = 4;

/** What the class as a whole gets wrong now, beside the month before: with that the next session begins. */
export function Week({ week }: { week: Schemas["Week"] }) {
  return (
    <Panel tight aria-label={t("wall-last-week-of-welding")}>
      <h2 className="font-bold">
        {t("wall-last-week-of-welding-to", { date: dateWords(week.since), date_2: dateWords(week.until) })}
      </h2>
      <div className="grid gap-x-4 sm:grid-cols-2">
        <Shares title={t("common-faults")} shares={week.faults} />
        <Shares title={t("wall-confirmed-causes")} shares={week.causes} />
      </div>
    </Panel>
  );
}

function Shares({ title, shares }: { title: string; shares: Schemas["WeekShare"][] }) {
  const now = shares.filter((one) => one.now > 0);
  const gone = shares.filter((one) => one.now === 0).map((one) => one.words);
  return (
    <div>
      <h3 className="text-sm font-semibold">{title}</h3>
      {now.length === 0 && <p className="quiet text-sm">{t("wall-none")}</p>}
      <ul className="text-sm">
        {now.slice(0, SHOWN).map((one) => (
          <li key={one.words} className="flex flex-wrap items-baseline gap-x-2">
            <span className="font-medium">{one.words}</span>
            {grows(one) && <strong className="text-secondary">{t("common-more")}</strong>}
            <span className="quiet basis-full text-xs">{one.said}</span>
          </li>
        ))}
      </ul>
      {gone.length > 0 && (
        <p className="mt-1 text-xs">{t("wall-no-longer-seen", { gone: gone.join(", ") })}</p>
      )}
    </div>
  );
}

const grows = (one: Schemas["WeekShare"]) =>
  one.now > 1 && one.before_of > 0 && one.now / one.now_of > (1.5 * one.before) / one.before_of;
