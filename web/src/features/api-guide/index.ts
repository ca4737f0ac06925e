export { ApiGuidePage } from "./api-guide-page";
