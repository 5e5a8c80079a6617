/** What a visit costs a house beside its products. */
export const COST_IDS = [
  'roomHour',
  'personHour',
  'deviceUse',
  'wash',
  'pad',
  'tissue',
  'gloves',
] as const
export type CostId = (typeof COST_IDS)[number]

export const COST_NAMES: Readonly<Record<CostId, string>> = {
  roomHour: 'room, an hour',
  personHour: 'therapist, an hour',
  deviceUse: 'a device, each visit',
  wash: 'a cloth or towel washed',
  pad: 'a cotton pad',
  tissue: 'a tissue',
  gloves: 'a pair of gloves',
}
