export { EyePage } from "./eye-page";
