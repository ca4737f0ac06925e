import { t } from "../../catalogue";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { usePaths } from "../../domain/course";
import { dateWords } from "../../domain/words";

const SHOWN = 6;

/** What was asked to change, newest first, and whether it was done and has helped. */
export function Changes({ changes }: { changes: Schemas["Change"][] }) {
  const paths = usePaths();
  if (changes.length === 0) return <p className="quiet text-sm">{t("time-no-changes-asked-for-yet")}</p>;
  return (
    <ul className="divide-y divide-base-300 text-sm">
      {changes.slice(0, SHOWN).map((one) => (
        <li key={one.attempt} className="py-1">
          <Link className="hover:underline" to={paths.attempt(one.attempt)}>
            {dateWords(one.at)}, {one.title} #{one.number}
          </Link>
          {one.cause && <span className="quiet"> · {one.cause}</span>}
          <p>
            {one.text} {one.became && <strong>– {one.became}</strong>}
          </p>
        </li>
      ))}
    </ul>
  );
}
