import { lazy, Suspense } from "react";
import { useCourse } from "../domain/course";
import { Loading } from "../ui/states";

const MarkingPage = lazy(async () => ({ default: (await import("../features/marking")).MarkingPage }));
const AttemptPage = lazy(async () => ({ default: (await import("../features/attempt")).AttemptPage }));

/** An attempt is marked by those who teach and worked on by its student. */
export function ByRole() {
  const { role } = useCourse();
  return <Suspense fallback={<Loading />}>{role === "student" ? <AttemptPage /> : <MarkingPage />}</Suspense>;
}
