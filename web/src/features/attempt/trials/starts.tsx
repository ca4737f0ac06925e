import { t } from "../../../catalogue";
import { Link } from "react-router";
import { usePaths } from "../../../domain/course";
import type { Attempt } from "../../../domain/use-attempt";
import { may } from "../../../domain/use-attempt";
import { useSetup } from "../../../domain/use-setup";

/** What trials have found for this coupon, and the way to another one. */
export function Starts({ attempt }: { attempt: Attempt }) {
  const paths = usePaths();
  const setup = useSetup(attempt.id, attempt.version);
  return (
    <>
      {setup.data?.starts.map((one) => (
        <p key={one.key} className="rounded-box border-2 border-accent p-3">
          {one.words}
        </p>
      ))}
      {may(attempt, "try") && (
        <Link className="btn h-12 w-full btn-outline" to={`${paths.attempt(attempt.id)}/trials`}>
          {t("trials-open")}
        </Link>
      )}
    </>
  );
}
