export { SchoolsPage } from "./schools-page";
