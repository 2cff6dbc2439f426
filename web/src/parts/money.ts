/** An amount in the factory's money: "€180.00", without cents where there are none: "€180". */
export const formatMoney = (amount: number, currency: string): string =>
  new Intl.NumberFormat('en-GB', { style: 'currency', currency, minimumFractionDigits: Number.isInteger(amount) ? 0 : 2 }).format(amount);
