export { WorkshopPage } from "./workshop-page";
export { WorkshopPeoplePage } from "./workshop-people-page";
export { MailPage } from "./mail-page";
export { ServerPage } from "./server-page";
