import { fromHundredths } from '#core/units'
/**
 * Cents of the house's currency, as they are read: "€3.20".
 * @param currency ISO 4217
 */
export const cents = (amount: number, currency: string): string =>
  new Intl.NumberFormat('en-GB', { style: 'currency', currency }).format(fromHundredths(amount))
