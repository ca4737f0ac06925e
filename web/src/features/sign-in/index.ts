export { SignInPage } from "./sign-in-page";
export { JoinPage } from "./join-page";
export { ResetPage } from "./reset-page";
export { ForgottenPage } from "./forgotten-page";
