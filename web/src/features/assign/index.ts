export { AssignPage } from "./assign-page";
