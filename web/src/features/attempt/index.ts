export { AtBoothPage } from "./at-booth-page";
export { AttemptPage } from "./attempt-page";
export { BoothPage } from "./booth/booth-page";
export { MyCouponsPage } from "./my-coupons-page";
export { TrialsPage } from "./trials/trials-page";
