export { EveningsPage } from "./evenings-page";
