import { createBrowserRouter, type RouteObject } from "react-router";
import { ForgottenPage, JoinPage, ResetPage, SignInPage } from "../features/sign-in";
import { Nowhere } from "./nowhere";
import { ByRole } from "./by-role";
import { CourseShell, Home, PlainShell } from "./shell";

/** Every page of a course comes when it is needed; plots, marking desk and builder never weigh on the first load. */
const pages: RouteObject[] = [
  { path: "desk", lazy: async () => ({ Component: (await import("../features/desk")).DeskPage }) },
  { path: "assign", lazy: async () => ({ Component: (await import("../features/assign")).AssignPage }) },
  { path: "builder", lazy: async () => ({ Component: (await import("../features/builder")).BuilderPage }) },
  { path: "schemes", lazy: async () => ({ Component: (await import("../features/schemes")).SchemesPage }) },
  { path: "schools", lazy: async () => ({ Component: (await import("../features/schools")).SchoolsPage }) },
  {
    path: "workbench",
    lazy: async () => ({ Component: (await import("../features/workbench")).WorkbenchPage }),
  },
  { path: "wall", lazy: async () => ({ Component: (await import("../features/wall")).WallPage }) },
  {
    path: "sessions",
    lazy: async () => ({ Component: (await import("../features/sessions")).SessionsPage }),
  },
  { path: "stock", lazy: async () => ({ Component: (await import("../features/stock")).StockPage }) },
  { path: "people", lazy: async () => ({ Component: (await import("../features/people")).PeoplePage }) },
  { path: "records", lazy: async () => ({ Component: (await import("../features/records")).RecordsPage }) },
  { path: "markers", lazy: async () => ({ Component: (await import("../features/markers")).MarkersPage }) },
  {
    path: "self-test/:testId",
    lazy: async () => ({ Component: (await import("../features/markers")).SelfTestPage }),
  },
  { path: "reports", lazy: async () => ({ Component: (await import("../features/reports")).ReportsPage }) },
  {
    path: "compare/:earlierId/:laterId",
    lazy: async () => ({ Component: (await import("../features/compare")).ComparePage }),
  },
  {
    path: "student/:studentId",
    lazy: async () => ({ Component: (await import("../features/time")).StudentTimePage }),
  },
  { path: "eye", lazy: async () => ({ Component: (await import("../features/eye")).EyePage }) },
  {
    path: "measuring",
    lazy: async () => ({ Component: (await import("../features/measuring")).MeasuringPage }),
  },
  { path: "mine", lazy: async () => ({ Component: (await import("../features/attempt")).MyCouponsPage }) },
  { path: "time", lazy: async () => ({ Component: (await import("../features/time")).MyTimePage }) },
  {
    path: "attempt/:attemptId/cadence",
    lazy: async () => ({ Component: (await import("../features/cadence")).CadencePage }),
  },
  {
    path: "at-booth/:boothId",
    lazy: async () => ({ Component: (await import("../features/attempt")).AtBoothPage }),
  },
  {
    path: "attempt/:attemptId/booth",
    lazy: async () => ({ Component: (await import("../features/attempt")).BoothPage }),
  },
  {
    path: "attempt/:attemptId/trials",
    lazy: async () => ({ Component: (await import("../features/attempt")).TrialsPage }),
  },
  { path: "attempt/:attemptId", element: <ByRole /> },
];

/** Pages that belong to no course. */
const own: RouteObject[] = [
  { path: "/account", lazy: async () => ({ Component: (await import("../features/account")).AccountPage }) },
  {
    path: "/workshop",
    lazy: async () => ({ Component: (await import("../features/workshop")).WorkshopPage }),
  },
  {
    path: "/workshop/people",
    lazy: async () => ({ Component: (await import("../features/workshop")).WorkshopPeoplePage }),
  },
  {
    path: "/workshop/server",
    lazy: async () => ({ Component: (await import("../features/workshop")).ServerPage }),
  },
  {
    path: "/workshop/mail",
    lazy: async () => ({ Component: (await import("../features/workshop")).MailPage }),
  },
  {
    path: "/api-guide",
    lazy: async () => ({ Component: (await import("../features/api-guide")).ApiGuidePage }),
  },
];

export const router = createBrowserRouter([
  { path: "/sign-in", element: <SignInPage /> },
  { path: "/join", element: <JoinPage /> },
  { path: "/reset/:person/:token", element: <ResetPage /> },
  { path: "/forgotten", element: <ForgottenPage /> },
  {
    path: "/trust",
    HydrateFallback: () => null,
    lazy: async () => ({ Component: (await import("../features/trust")).TrustPage }),
  },
  { path: "/", element: <Home /> },
  { path: "/course/:courseId", element: <CourseShell />, HydrateFallback: () => null, children: pages },
  { element: <PlainShell />, HydrateFallback: () => null, children: own },
  { path: "*", element: <Nowhere /> },
]);
