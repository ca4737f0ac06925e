export { StockPage } from "./stock-page";
