export { WorkbenchPage } from "./workbench-page";
