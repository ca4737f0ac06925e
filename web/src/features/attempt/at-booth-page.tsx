import { t } from "../../catalogue";
import { Link, useParams } from "react-router";
import { useEffect, useRef } from "react";
import { usePaths } from "../../domain/course";
import { post } from "../../domain/outbox/outbox";
import { goesOn } from "../../domain/use-attempt";
import { Loading, Problem } from "../../ui/states";
import { useMine } from "./queries";

/** Where the code of a booth leads: it is set for one's coupons, and each opens from here. */
export function AtBoothPage() {
  const booth = Number(useParams().boothId);
  const paths = usePaths();
  const mine = useMine();
  const open = (mine.data ?? []).filter(goesOn);
  const list = open.map((a) => a.id).join(",");
  const set = useRef("");
  useEffect(() => {
    if (list === "" || set.current === list) return;
    set.current = list;
    for (const attempt of list.split(",").map(Number))
      void post({ what: "booth", attempt, booth }).catch(() => undefined);
  }, [list, booth]);
  if (mine.isPending) return <Loading />;
  if (mine.isError) return <Problem error={mine.error} again={() => void mine.refetch()} />;
  return (
    <div className="mx-auto max-w-md space-y-3">
      <h1 className="text-2xl font-bold">{t("attempt-booth-is-set")}</h1>
      {open.length === 0 && <p>{t("attempt-nothing-to-weld")}</p>}
      {open.map((a) => (
        <Link
          key={a.id}
          className="btn h-auto min-h-20 w-full text-xl btn-primary"
          to={`${paths.attempt(a.id)}/booth`}
        >
          {t("common-attempt", { title: a.assignment.design.title, number: a.number })}
        </Link>
      ))}
      <Link className="btn h-14 w-full" to={paths.to("mine")}>
        {t("common-my-coupons")}
      </Link>
    </div>
  );
}
