export { TrustPage } from "./trust-page";
