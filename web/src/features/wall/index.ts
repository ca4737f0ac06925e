export { WallPage } from "./wall-page";
