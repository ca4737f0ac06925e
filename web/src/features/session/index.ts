export { SignInPage } from "./sign-in-page";
export { JoinPage } from "./join-page";
