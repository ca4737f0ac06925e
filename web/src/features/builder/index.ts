export { BuilderPage } from "./builder-page";
