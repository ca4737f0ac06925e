export { MeasuringPage } from "./measuring-page";
