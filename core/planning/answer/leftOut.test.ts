import { describe, expect, it } from 'vitest'
import { allNo, planInput, TODAY } from '../../testing/fixtures'
import { screen } from '../../screening/verdict/verdict'
import { leftOut } from './leftOut'
import { propose } from './propose'

describe('what was left out', () => {
  it('names the zones of a bar that holds of some of them, and no zones where it holds of all', () => {
    const answers = allNo({
      visibleVessels: { say: 'yes', zones: ['cheekL', 'cheekR'] },
      epilepsy: { say: 'yes' },
    })
    const input = planInput({ answers, verdict: screen(answers, TODAY), aims: ['rest'] })
    const out = leftOut(input, propose(input).steps)
    const said = (id: string) => out.find(({ technique }) => technique === id)?.why.text
    expect(said('steam')).toBe('cheeks: no grain, tip, vacuum or heat there.')
    expect(said('blueLamp')).toMatch(/^No flashing lamp/)
  })
})
