export { CadencePage } from "./cadence-page";
