import { keepLocale, t } from "../catalogue";
import { lazy, Suspense, useEffect } from "react";
import {
  CalendarClock,
  ChartLine,
  ChevronsUpDown,
  Calculator,
  CircleUserRound,
  ClipboardList,
  Grid3x3,
  Inbox,
  LogOut,
  Package,
  Ruler,
  SquarePen,
} from "lucide-react";
import { Link, Navigate, NavLink, Outlet, useMatch, useNavigate, useParams } from "react-router";
import type { Schemas } from "../api/client";
import { CourseContext } from "../domain/course";
import { Loading, Problem } from "../ui/states";
import { keepFor } from "../domain/offline";
import { Undo } from "../domain/undo";
import { useChangePreferences, useSession, useSignOut } from "../domain/use-session";
import { Filling } from "./filling";
import { Help } from "./help";
import { ThemeSwitch } from "./theme";

const OutboxBar = lazy(() => import("./outbox-bar"));

type MyCourse = Schemas["MyCourse"];
type Session = Schemas["SignedIn"];

const staffTabs = [
  { to: "desk", words: t("common-to-mark"), icon: Inbox },
  { to: "assign", words: t("common-coupon-library"), icon: SquarePen },
  { to: "wall", words: t("common-class"), icon: Grid3x3 },
  { to: "sessions", words: t("common-sessions"), icon: CalendarClock },
  { to: "stock", words: t("common-stock"), icon: Package },
  { to: "workbench", words: t("common-calculators"), icon: Calculator },
];
const studentTabs = [
  { to: "mine", words: t("common-my-coupons"), icon: ClipboardList },
  { to: "time", words: t("common-my-progress"), icon: ChartLine },
  { to: "workbench", words: t("common-calculators"), icon: Calculator },
];

const TAB =
  "flex grow whitespace-nowrap items-center justify-center gap-2 px-3 py-3 font-medium sm:grow-0 sm:py-2";
const FOOT = "max-sm:flex-col max-sm:gap-0 max-sm:px-1 max-sm:py-0 max-sm:text-sm";
const HERE = "text-primary underline decoration-2 underline-offset-8";

/** Sends a person to where their work begins. */
export function Home() {
  const session = useSession();
  if (session.isPending) return <Loading />;
  if (session.isError) return <Navigate to="/sign-in" replace />;
  if (session.data.second_factor === "missing") return <Navigate to="/account" replace />;
  const course = session.data.courses.find((one) => !one.archived) ?? session.data.courses[0];
  if (course) return <Navigate to={beginOf(course)} replace />;
  return <Navigate to={session.data.owns ? "/workshop" : "/join"} replace />;
}

const beginOf = (course: MyCourse) =>
  `/course/${String(course.id)}/${course.role === "student" ? "mine" : "desk"}`;

export function CourseShell() {
  const session = useSession();
  const { courseId } = useParams();
  if (session.isPending) return <Loading />;
  if (session.isError) return <Navigate to="/sign-in" replace />;
  if (session.data.second_factor === "missing") return <Navigate to="/account" replace />;
  const course = session.data.courses.find((c) => String(c.id) === courseId);
  if (!course) {
    return (
      <main className="p-6">
        <Problem error={new Error(t("app-you-are-not-a-member-of"))} />
      </main>
    );
  }
  return (
    <CourseContext value={{ id: course.id, name: course.name, role: course.role }}>
      <Around session={session.data} course={course} />
    </CourseContext>
  );
}

/** What belongs to no course: one's own account, the workshop. */
export function PlainShell() {
  const session = useSession();
  if (session.isPending) return <Loading />;
  if (session.isError) return <Navigate to="/sign-in" replace />;
  return <Around session={session.data} />;
}

/** Head and foot of every page; the tabs are those of the open course. */
function Around({ session, course }: { session: Session; course?: MyCourse }) {
  const student = course?.role === "student";
  useEffect(() => keepLocale(session.locale), [session.locale]);
  useEffect(() => void keepFor(session.id), [session.id]);
  // The marking desk is one screen high.
  const fitsScreen = useMatch("/course/:courseId/attempt/:attemptId");
  const tabs = !course ? [] : student ? studentTabs : staffTabs;
  return (
    <div className={`min-h-dvh bg-base-200 ${student ? "pb-20 sm:pb-0" : ""}`}>
      <a href="#content" className="btn sr-only btn-sm focus:not-sr-only">
        {t("app-skip-to-content")}
      </a>
      <header className="flex items-center gap-x-3 border-b border-base-300 bg-base-100 px-3 py-1 lg:gap-x-5">
        <Link to="/" className="shrink-0">
          <img src="/mark.svg" alt={t("common-judicum")} className="size-8" />
        </Link>
        {course ? (
          <CourseName course={course} session={session} />
        ) : (
          <strong className="min-w-0 truncate">{session.workshop}</strong>
        )}
        {tabs.length > 0 && (
          <nav
            aria-label={t("app-course")}
            className={
              student
                ? "fixed inset-x-0 bottom-0 z-20 flex h-14 border-t border-base-300 bg-base-100 " +
                  "sm:static sm:h-auto sm:border-0"
                : "flex shrink-0"
            }
          >
            {tabs.map(({ to, words, icon: Icon }) => (
              <NavLink
                key={to}
                to={`/course/${String(course?.id)}/${to}`}
                className={({ isActive }) => `${TAB} ${student ? FOOT : ""} ${isActive ? HERE : ""}`}
              >
                <Icon size={18} aria-hidden /> {words}
              </NavLink>
            ))}
          </nav>
        )}
        <div className="ml-auto flex shrink-0 items-center">
          <Help student={student} />
          <UnitSwitch />
          <ThemeSwitch />
          <Link
            className="btn btn-ghost px-2"
            aria-label={t("app-account-of", { name: session.display_name })}
            to="/account"
          >
            <CircleUserRound size={18} aria-hidden />{" "}
            <span className="hidden sm:max-lg:inline 2xl:inline">{session.display_name}</span>
          </Link>
          <SignOut name={session.display_name} />
        </div>
      </header>
      {course && <Filling />}
      {course && (
        <Suspense fallback={null}>
          <OutboxBar person={session.id} />
        </Suspense>
      )}
      {course?.archived && (
        <p role="status" className="border-b border-base-300 bg-accent px-4 py-1 text-sm text-accent-content">
          {t("app-this-course-is-archived-you-can")}
        </p>
      )}
      <main id="content" className="mx-auto max-w-[1400px] p-3 sm:px-4 sm:py-2.5">
        <Outlet />
      </main>
      {!fitsScreen && (
        <footer className="quiet px-4 py-2 text-right text-xs">
          {t("app-version", { version: session.version })}
        </footer>
      )}
      {course && !student && <Undo />}
    </div>
  );
}

type CourseNameProps = { course: MyCourse; session: Session };

const WORKSHOP = "workshop";

/** The open course; who has several, or the workshop too, chooses another here. */
function CourseName({ course, session }: CourseNameProps) {
  const navigate = useNavigate();
  const { courses, owns } = session;
  if (courses.length < 2 && !owns)
    return (
      <span className="min-w-0 shrink truncate font-semibold" title={course.name}>
        {course.name}
      </span>
    );
  return (
    <label
      className={
        "relative flex max-w-80 min-w-24 shrink grow items-center gap-1 rounded-field border border-base-300 " +
        "px-2 py-1.5 focus-within:outline-2 focus-within:outline-primary"
      }
      title={course.name}
    >
      <ChevronsUpDown size={16} className="shrink-0" aria-hidden />
      <span className="truncate font-semibold" aria-hidden>
        {course.name}
      </span>
      <select
        className="absolute inset-0 w-full cursor-pointer opacity-0"
        aria-label={t("app-switch-course")}
        value={course.id}
        onChange={(e) => {
          const next = courses.find((one) => String(one.id) === e.target.value);
          void navigate(next ? beginOf(next) : "/workshop");
        }}
      >
        {courses.map((one) => (
          <option key={one.id} value={one.id}>
            {one.archived ? t("app-archived", { name: one.name }) : one.name}
          </option>
        ))}
        {owns && <option value={WORKSHOP}>{t("app-the-workshop", { workshop: session.workshop })}</option>}
      </select>
    </label>
  );
}

function UnitSwitch() {
  const session = useSession();
  const change = useChangePreferences();
  if (!session.data) return null;
  const metric = session.data.length_unit === "mm";
  return (
    <button
      className="btn btn-ghost px-2 whitespace-nowrap"
      disabled={change.isPending}
      title={t("app-switch-units")}
      aria-label={metric ? t("app-units-mm-and-l-min-switch") : t("app-units-thousandths-and-cfh-switch-to")}
      onClick={() => {
        change.mutate(
          metric ? { length_unit: "thou", flow_unit: "cfh" } : { length_unit: "mm", flow_unit: "l_min" },
        );
      }}
    >
      <Ruler size={18} aria-hidden />{" "}
      <span className="hidden sm:inline">{metric ? t("app-mm-l-min") : t("app-thou-cfh")}</span>
      <span className="sm:hidden">{metric ? t("app-mm") : t("app-thou")}</span>
    </button>
  );
}

function SignOut({ name }: { name: string }) {
  const out = useSignOut();
  return (
    <button
      className="btn btn-ghost px-2"
      aria-label={t("app-sign-out", { name })}
      onClick={() => out.mutate()}
    >
      <LogOut size={18} aria-hidden />
    </button>
  );
}
