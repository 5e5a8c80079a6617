export type SkinType = 'dry' | 'normal' | 'combination' | 'oily' | 'unread'
export const CONDITION_IDS = [
  'dehydrated',
  'sensitive',
  'reactive',
  'congested',
  'mature',
  'marksEasily',
] as const
export type ConditionId = (typeof CONDITION_IDS)[number]

export const TYPE_TITLES: Readonly<Record<SkinType, string>> = {
  dry: 'Dry: lacks oil',
  normal: 'Normal',
  combination: 'Combination: T-zone oilier than cheeks',
  oily: 'Oily',
  unread: 'Type not read yet',
}
export const CONDITION_WORDS: Readonly<Record<ConditionId, string>> = {
  dehydrated: 'Dehydrated',
  sensitive: 'Sensitive',
  reactive: 'Reddens easily',
  congested: 'Congested',
  mature: 'Mature',
  marksEasily: 'Marks easily',
}
