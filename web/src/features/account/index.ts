export { AccountPage } from "./account-page";
