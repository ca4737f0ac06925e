export { AttemptPage } from "./attempt-page";
export { MyCouponsPage } from "./my-coupons-page";
