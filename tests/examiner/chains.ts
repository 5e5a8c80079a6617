import { TECHNIQUES, type TechniqueId } from '#core/catalogue/techniques/techniques'
import type { Complaint, Steps, Visit } from './visit'

/** What an oily remover is made of, as labels say it. */
const OILS = ['seed oil', 'isododecane', 'squalane', 'siloxane', 'paraffinum', 'triglyceride']

/** Works with what another has laid or begun: it comes after that. */
const AFTER: Partial<Record<TechniqueId, readonly TechniqueId[]>> = {
  lashRoots: ['eyesOff', 'eyesByCleanser'],
  dampPads: ['eyesOff'],
  sonicBrush: ['secondCleanse', 'creamCleanse'],
  ridge: ['stones', 'stonesOnOil'],
  drainDown: ['stones', 'stonesOnOil'],
  ballTool: ['stones', 'stonesOnOil', 'massage', 'toningMassage', 'microcurrentGel', 'serum'],
  finishMassage: ['serum', 'ampoule', 'facialOil'],
  restOfCream: ['moisturiser'],
  restOfOil: ['facialOil'],
  lipSerum: ['moisturiser'],
}

/** What belongs straight before or after something else. */
export function chainComplaints({ shelf }: Visit, steps: Steps): Complaint[] {
  return steps.flatMap((step, i): Complaint[] => {
    const last = steps[i - 1]?.technique
    const hosts = AFTER[step.technique]
    if (hosts && !steps.slice(0, i).some(({ technique }) => hosts.includes(technique)))
      return [{ key: step.key, says: `${TECHNIQUES[step.technique].name} goes with nothing` }]
    const want: Partial<Record<TechniqueId, TechniqueId>> = {
      needling: 'disinfect',
      freshMask: 'mixPowder',
      hardeningMask: 'mixHardening',
    }
    const before = want[step.technique]
    const ready = step.regions.every((region) => steps[i - 1]?.regions.includes(region))
    if (before !== undefined && (last !== before || !ready))
      return [{ key: step.key, says: `nothing made ready for ${TECHNIQUES[step.technique].name}` }]
    if (step.technique === 'eyesOff') {
      const remover = shelf.find(({ product }) => product.id === step.productId)?.product
      const oily = remover?.inci.some((name) =>
        OILS.some((oil) => name.toLowerCase().includes(oil)),
      )
      const pads = steps.slice(i + 1).find(({ technique }) => !isLinking(technique))
      return oily && pads?.technique !== 'dampPads'
        ? [{ key: step.key, says: 'oil left at the eyes' }]
        : []
    }
    if (step.technique !== 'crystals') return []
    // Nothing is misted over grit.
    const next = steps
      .slice(i + 1)
      .find(({ technique }) => technique === 'mist' || !isLinking(technique))
    return next?.technique === 'secondCleanse' ? [] : [{ key: step.key, says: 'grit left lying' }]
  })
}
const isLinking = (id: TechniqueId) => ['mist', 'dampen', 'wait', 'blot', 'rinse'].includes(id)
