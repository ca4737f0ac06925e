export { DeskPage } from "./desk-page";
