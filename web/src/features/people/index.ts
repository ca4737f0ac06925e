export { PeoplePage } from "./people-page";
