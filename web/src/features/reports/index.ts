export { ReportsPage } from "./reports-page";
