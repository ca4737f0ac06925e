export { MyTimePage, StudentTimePage } from "./time-page";
