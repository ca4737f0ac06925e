import { t } from "../catalogue";
import { useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { useAboutCourse } from "../domain/course";
import { courseKeys, sessionKeys } from "../domain/keys";

/** What a course that fills does not change; read anew it would ask for itself. */
const STAYS = [courseKeys.all[0], sessionKeys.signedIn[0]];

/** How far the attempts of the course are brought in, while that goes on; what is open follows. */
export function Filling() {
  const about = useAboutCourse();
  const queries = useQueryClient();
  const filling = about.data?.filling;
  const done = filling?.done;
  useEffect(() => {
    if (done === undefined) return;
    void queries.invalidateQueries({
      predicate: (q) => !STAYS.includes(String(q.queryKey[0])),
    });
  }, [done, queries]);
  if (!filling) return null;
  return (
    <div
      role="status"
      className="flex items-center gap-3 border-b border-base-300 bg-base-100 px-4 py-1 text-sm"
    >
      <span className="shrink-0">
        {t("app-loading-demo-attempts-of-attempts", { done: filling.done, total: filling.total })}
      </span>
      <progress
        className="progress grow progress-primary"
        aria-label={t("app-progress-of-loading-the-demo-attempts")}
        value={filling.done}
        max={filling.total}
      />
    </div>
  );
}
