import { locale } from "../../catalogue";

/** An amount of money; whose currency it is, the school knows. */
export const money = (amount: number): string =>
  amount.toLocaleString(locale, { minimumFractionDigits: 2, maximumFractionDigits: 2 });
