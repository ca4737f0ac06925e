import { Link, useParams } from "react-router";
import { useCourse } from "../../ui/course";
import { Loading, Problem } from "../../ui/states";
import { useAttempt } from "../../ui/use-attempt";
import { useUnits } from "../../ui/use-units";
import { measure } from "../../ui/units";
import { finishWords } from "../../ui/words";
import { Feedback } from "./feedback";
import { ViewsOf } from "../../ui/views-of";
import { LogForm } from "./log-form";
import { OtherViews } from "./other-views";
import { PhotoStep } from "./photo-step";
import { Preparation } from "./preparation";
import { SetupCard } from "./setup-card";

export function AttemptPage() {
  const { attemptId } = useParams();
  const course = useCourse();
  const units = useUnits();
  const attempt = useAttempt(Number(attemptId));
  if (attempt.isPending) return <Loading what="the attempt" />;
  if (attempt.isError) return <Problem error={attempt.error} again={() => void attempt.refetch()} />;
  const a = attempt.data;
  const goal = a.assignment;
  const marked = a.mark !== null;
  return (
    <div className="mx-auto max-w-3xl space-y-4">
      <div>
        <Link className="link text-sm" to={`/course/${String(course.id)}/mine`}>
          My coupons
        </Link>
        <h1 className="text-2xl font-bold">
          {goal.design.title}, attempt {a.number}
        </h1>
        <p>
          Width about {measure(goal.target_width_mm, "length", units)}; finish {finishWords[goal.finish]}.
        </p>
      </div>
      {!marked && <SetupCard attempt={a} />}
      {!marked && a.state !== "marked" && <Preparation attempt={a} />}
      {marked && <Feedback attempt={a} />}
      {!marked && a.state !== "assigned" && <PhotoStep attempt={a} />}
      {!marked && a.state !== "marked" && <OtherViews attempt={a} />}
      {marked && <ViewsOf attempt={a} mayRead={false} />}
      {marked || a.state === "marked" ? null : <LogForm key={a.id} attempt={a} />}
    </div>
  );
}
