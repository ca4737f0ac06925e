export { MarkingPage } from "./marking-page";
