export { AccountPage } from "./account-page";
export { PeoplePage } from "./people-page";
