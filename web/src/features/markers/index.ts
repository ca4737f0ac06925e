export { MarkersPage } from "./markers-page";
export { SelfTestPage } from "./self-test-page";
