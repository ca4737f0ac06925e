export { ComparePage } from "./compare-page";
