import { createBrowserRouter } from "react-router";
import { AssignPage } from "../features/assign";
import { AttemptPage, MyCouponsPage } from "../features/attempt";
import { BuilderPage } from "../features/builder";
import { CadencePage } from "../features/cadence";
import { ComparePage } from "../features/compare";
import { DeskPage } from "../features/desk";
import { MarkingPage } from "../features/marking";
import { SchoolsPage } from "../features/schools";
import { JoinPage, SignInPage } from "../features/session";
import { MyTimePage, StudentTimePage } from "../features/time";
import { WallPage } from "../features/wall";
import { WorkbenchPage } from "../features/workbench";
import { CourseShell, Home, ForRole } from "./shell";
import { Nowhere } from "./nowhere";

export const router = createBrowserRouter([
  { path: "/sign-in", element: <SignInPage /> },
  { path: "/join", element: <JoinPage /> },
  { path: "/", element: <Home /> },
  {
    path: "/course/:courseId",
    element: <CourseShell />,
    children: [
      { path: "desk", element: <DeskPage /> },
      { path: "assign", element: <AssignPage /> },
      { path: "builder", element: <BuilderPage /> },
      { path: "schools", element: <SchoolsPage /> },
      { path: "workbench", element: <WorkbenchPage /> },
      { path: "wall", element: <WallPage /> },
      { path: "compare/:earlierId/:laterId", element: <ComparePage /> },
      { path: "student/:studentId", element: <StudentTimePage /> },
      { path: "mine", element: <MyCouponsPage /> },
      { path: "time", element: <MyTimePage /> },
      { path: "attempt/:attemptId/cadence", element: <CadencePage /> },
      { path: "attempt/:attemptId", element: <ForRole staff={<MarkingPage />} student={<AttemptPage />} /> },
    ],
  },
  { path: "*", element: <Nowhere /> },
]);
