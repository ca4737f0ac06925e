export { SessionsPage } from "./sessions-page";
