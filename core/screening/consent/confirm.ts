import type { FamilyId } from '../../catalogue/kinds'
import type { Technique, TechniqueId } from '../../catalogue/techniques/techniques'

/** What has to be seen to before a step of some families, and the row that asks for it. */
export interface Confirmation {
  rule: string
  families: readonly FamilyId[]
  /** Before these besides, whatever families they are of. */
  techniques?: readonly TechniqueId[]
  say: string
}

/**
 * What is to be confirmed before this work on this client: what the answers ask for, and the
 * technique's own list. Nothing of it is taken for granted.
 */
export function confirmationsFor(
  technique: Pick<Technique, 'families' | 'confirm' | 'id'>,
  verdict: { confirms: readonly Confirmation[] },
): { rule: string; say: string }[] {
  return [
    ...verdict.confirms
      .filter(
        (one) =>
          one.families.some((family) => technique.families.includes(family)) ||
          one.techniques?.includes(technique.id),
      )
      .map(({ rule, say }) => ({ rule, say })),
    ...(technique.confirm ?? []).map((say) => ({ rule: `technique-${technique.id}`, say })),
  ]
}
