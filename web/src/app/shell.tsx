import {
  CalendarClock,
  ChartLine,
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
import { Link, Navigate, NavLink, Outlet, useNavigate, useParams } from "react-router";
import type { Schemas } from "../api/client";
import { CourseContext } from "../ui/course";
import { Loading, Problem } from "../ui/states";
import { Undo } from "../ui/undo";
import { useChangeUnits, useSession, useSignOut } from "../ui/use-session";
import { Filling } from "./filling";
import { ThemeSwitch } from "./theme";

type MyCourse = Schemas["MyCourse"];

const staffTabs = [
  { to: "desk", words: "Desk", icon: Inbox },
  { to: "assign", words: "Coupons", icon: SquarePen },
  { to: "wall", words: "Class wall", icon: Grid3x3 },
  { to: "evenings", words: "Evenings", icon: CalendarClock },
  { to: "stock", words: "Stock", icon: Package },
  { to: "workbench", words: "Workbench", icon: Calculator },
];
const studentTabs = [
  { to: "mine", words: "My coupons", icon: ClipboardList },
  { to: "time", words: "Over time", icon: ChartLine },
  { to: "workbench", words: "Workbench", icon: Calculator },
];

const TAB = "flex grow items-center justify-center gap-2 px-3 py-3 font-medium sm:grow-0 sm:py-2";
const HERE = "text-primary underline decoration-2 underline-offset-8";

/** Sends a person to where their work begins. */
export function Home() {
  const session = useSession();
  if (session.isPending) return <Loading what="your courses" />;
  if (session.isError) return <Navigate to="/sign-in" replace />;
  const course = session.data.courses[0];
  if (!course) return <Navigate to="/join" replace />;
  return (
    <Navigate to={`/course/${String(course.id)}/${course.role === "student" ? "mine" : "desk"}`} replace />
  );
}

export function CourseShell() {
  const session = useSession();
  const { courseId } = useParams();
  if (session.isPending) return <Loading what="the course" />;
  if (session.isError) return <Navigate to="/sign-in" replace />;
  const course = session.data.courses.find((c) => String(c.id) === courseId);
  if (!course) {
    return (
      <main className="p-6">
        <Problem error={new Error("You do not take part in this course.")} />
      </main>
    );
  }
  const student = course.role === "student";
  const tabs = student ? studentTabs : staffTabs;
  return (
    <CourseContext value={{ id: course.id, name: course.name, role: course.role }}>
      <div className={`min-h-dvh bg-base-200 ${student ? "pb-20 sm:pb-0" : ""}`}>
        <a href="#content" className="btn sr-only btn-sm focus:not-sr-only">
          Skip to content
        </a>
        <header className="flex items-center gap-x-3 border-b border-base-300 bg-base-100 px-3 py-1 lg:gap-x-5">
          <img src="/mark.svg" alt="Judicum" className="size-8" />
          <CourseName course={course} courses={session.data.courses} />
          <nav
            aria-label="Course"
            className={
              student
                ? "fixed inset-x-0 bottom-0 z-20 flex border-t border-base-300 bg-base-100 sm:static sm:border-0"
                : "flex shrink-0"
            }
          >
            {tabs.map(({ to, words, icon: Icon }) => (
              <NavLink
                key={to}
                to={`/course/${String(course.id)}/${to}`}
                className={({ isActive }) => `${TAB} ${isActive ? HERE : ""}`}
              >
                <Icon size={18} aria-hidden /> {words}
              </NavLink>
            ))}
          </nav>
          <div className="ml-auto flex shrink-0 items-center">
            <UnitSwitch />
            <ThemeSwitch />
            <Link
              className="btn btn-ghost px-2"
              aria-label={`Account of ${session.data.display_name}`}
              to={`/course/${String(course.id)}/account`}
            >
              <CircleUserRound size={18} aria-hidden />{" "}
              <span className="hidden md:inline">{session.data.display_name}</span>
            </Link>
            <SignOut name={session.data.display_name} />
          </div>
        </header>
        <Filling />
        <main id="content" className="mx-auto max-w-[1400px] p-3 sm:px-4 sm:py-2.5">
          <Outlet />
        </main>
        {!student && <Undo />}
      </div>
    </CourseContext>
  );
}

type CourseNameProps = { course: MyCourse; courses: MyCourse[] };

/** The open course; who has several chooses another here. */
function CourseName({ course, courses }: CourseNameProps) {
  const navigate = useNavigate();
  if (courses.length < 2)
    return (
      <span className="min-w-0 shrink truncate font-semibold" title={course.name}>
        {course.name}
      </span>
    );
  return (
    <select
      className="select min-w-24 shrink truncate font-semibold select-sm"
      aria-label="Course to work in"
      value={course.id}
      onChange={(e) => {
        const next = courses.find((one) => String(one.id) === e.target.value);
        if (next) void navigate(`/course/${String(next.id)}/${next.role === "student" ? "mine" : "desk"}`);
      }}
    >
      {courses.map((one) => (
        <option key={one.id} value={one.id}>
          {one.name}
        </option>
      ))}
    </select>
  );
}

function UnitSwitch() {
  const session = useSession();
  const change = useChangeUnits();
  if (!session.data) return null;
  const metric = session.data.length_unit === "mm";
  return (
    <button
      className="btn btn-ghost px-2 whitespace-nowrap"
      disabled={change.isPending}
      title="Switch units"
      aria-label={
        metric
          ? "Units: mm and L/min. Switch to thousandths and CFH"
          : "Units: thousandths and CFH. Switch to mm and L/min"
      }
      onClick={() => {
        change.mutate(
          metric ? { length_unit: "thou", flow_unit: "cfh" } : { length_unit: "mm", flow_unit: "l_min" },
        );
      }}
    >
      <Ruler size={18} aria-hidden />{" "}
      <span className="hidden sm:inline">{metric ? "mm · L/min" : "thou · CFH"}</span>
      <span className="sm:hidden">{metric ? "mm" : "thou"}</span>
    </button>
  );
}

function SignOut({ name }: { name: string }) {
  const out = useSignOut();
  return (
    <button className="btn btn-ghost px-2" aria-label={`Sign out ${name}`} onClick={() => out.mutate()}>
      <LogOut size={18} aria-hidden />
    </button>
  );
}
