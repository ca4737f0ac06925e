export { SchemesPage } from "./schemes-page";
