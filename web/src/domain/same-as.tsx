import { Link } from "react-router";
import type { Schemas } from "../api/client";
import { t } from "../catalogue";
import { useCourse, usePaths } from "./course";

/** Says for which other attempts the very same picture was sent. */
export function SameAs({ photo }: { photo: Schemas["Photo"] | undefined }) {
  const paths = usePaths();
  const teaches = useCourse().role !== "student";
  if (!photo || photo.same_as.length === 0) return null;
  return (
    <div role="note" className="rounded-field bg-warning px-2 py-0.5 text-sm text-warning-content">
      <ul>
        {photo.same_as.map(({ attempt, number, title, student }) => (
          <li key={attempt}>
            <Link className="link" to={paths.attempt(attempt)}>
              {teaches
                ? t("common-same-picture-of", { name: student, title, number })
                : t("common-same-picture", { title, number })}
            </Link>
          </li>
        ))}
      </ul>
    </div>
  );
}
