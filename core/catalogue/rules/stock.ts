/** How far ahead the shelf is looked after. House values. */
export const STOCK = {
  id: 'stock-ahead',
  sentence:
    'Enough for six weeks: by the bookings ahead, or by the last eight weeks where fewer are booked.',
  /** An order lasts so many days. */
  coverDays: 42,
  /** Use is reckoned from so many days back. */
  lookBackDays: 56,
  /** No day is named that lies further ahead. */
  horizonDays: 365,
  /** What ends in so many days and is not used up by then is pointed out. */
  lostDays: 90,
  /** A house that takes this much less than is planned, per cent, may begin with less. */
  lessFrom: 10,
  source: 'House value',
} as const
