export { RecordsPage } from "./records-page";
