/** Cents of the house's currency, as they are read: "€ 3.20". */
export const cents = (amount: number): string => `€ ${(amount / 100).toFixed(2)}`
