import { t } from "../../catalogue";
import { Link, Navigate, useParams } from "react-router";
import { usePaths } from "../../domain/course";
import { box } from "../../domain/outbox/outbox";
import { useStored } from "../../ui/store";
import { Loading, Problem } from "../../ui/states";
import { may, useAttempt } from "../../domain/use-attempt";
import { useUnits } from "../../domain/use-units";
import { measure } from "../../domain/units";
import { RunBeads } from "../../domain/run-beads";
import { ViewsOf } from "../../domain/views-of";
import { WhatIf } from "../../domain/whatif/what-if";
import { finishWords } from "../../domain/words";
import { Feedback } from "./feedback";
import { LogForm } from "./log-form";
import { Machine } from "./machine";
import { OtherViews } from "./other-views";
import { PhotoStep } from "./photo-step";
import { Preparation } from "./preparation";
import { SetupCard } from "./setup-card";
import { Starts } from "./trials/starts";

/** One attempt, in the order of the work; what may be done now comes from the server. */
export function AttemptPage() {
  const { attemptId } = useParams();
  const paths = usePaths();
  const units = useUnits();
  const attempt = useAttempt(Number(attemptId));
  const opened = useStored(box).opened[Number(attemptId)];
  if (opened !== undefined) return <Navigate to={paths.attempt(opened)} replace />;
  if (attempt.isPending) return <Loading />;
  if (attempt.isError) return <Problem error={attempt.error} again={() => void attempt.refetch()} />;
  const a = attempt.data;
  const goal = a.assignment;
  const photos = may(a, "add_photo") || a.photos.length > 0;
  return (
    <div className="mx-auto max-w-3xl space-y-4">
      <div>
        <Link className="link text-sm" to={paths.to("mine")}>
          {t("common-my-coupons")}
        </Link>
        <h1 className="text-2xl font-bold">
          {t("common-attempt", { title: goal.design.title, number: a.number })}
        </h1>
        <p>
          {t("attempt-bead-width-about-finish", {
            target_width_mm: measure(goal.target_width_mm, "length", units),
            finish: finishWords(goal.finish),
          })}
        </p>
      </div>
      {a.answer && (
        <p role="status" className="rounded-box bg-accent p-3 text-lg text-accent-content">
          <strong>
            {a.state === "weld_again" ? t("attempt-weld-this-coupon-again") : t("attempt-send-another-photo")}
          </strong>{" "}
          {a.answer}
        </p>
      )}
      {a.asked && !a.mark && (
        <p className="rounded-box border-2 border-accent p-3">
          <strong>{t("attempt-your-one-change")}</strong> {a.asked.text}
        </p>
      )}
      {a.mark ? (
        <>
          <Feedback attempt={a} mark={a.mark} />
          <WhatIf attempt={a} />
          <RunBeads attempt={a} />
          <ViewsOf attempt={a} />
        </>
      ) : (
        <>
          {may(a, "log") && (
            <Link className="btn h-16 w-full text-xl btn-primary" to={`${paths.attempt(a.id)}/booth`}>
              {t("booth-open")}
            </Link>
          )}
          <Starts attempt={a} />
          <SetupCard attempt={a} />
          {may(a, "prepare") && <Preparation attempt={a} />}
          {photos && <PhotoStep attempt={a} />}
          {may(a, "log") && <Machine attempt={a.id} />}
          {may(a, "log") && <LogForm key={a.id} attempt={a} />}
          {a.id > 0 && <WhatIf attempt={a} />}
          {may(a, "add_view") ? <OtherViews attempt={a} /> : <ViewsOf attempt={a} />}
        </>
      )}
    </div>
  );
}
