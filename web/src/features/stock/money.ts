/** An amount of money; whose currency it is, the school knows. */
export const money = (amount: number): string =>
  amount.toLocaleString("en-GB", { minimumFractionDigits: 2, maximumFractionDigits: 2 });
