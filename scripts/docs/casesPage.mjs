/**
 * The written cases as plans: what was asked of each, and the plan that is made of it today.
 */
const minutes = (count) => `${count} min`

/** @param load bundles and imports a file of the tree */
export async function casesPage(load) {
  const { CASE_GROUPS } = await load('tests/reference/writtenCases.ts')
  const { casePlan } = await load('tests/reference/cases/planned.ts')
  const count = CASE_GROUPS.reduce((sum, group) => sum + group.cases.length, 0)
  const lines = [
    '# Written cases, as plans',
    '',
    'Written by `npm run formats`; do not edit. What a good therapist expects, and the plan made of it.',
    `${count} cases. Held by \`tests/reference/protocols.test.ts\`; what we would still change stands in`,
    '[decisions/restraint.md](decisions/restraint.md).',
    '',
  ]
  const anchor = (title) =>
    title
      .toLowerCase()
      .replace(/[^\p{L}\p{N} _-]/gu, '')
      .replaceAll(' ', '-')
  for (const { title, cases } of CASE_GROUPS)
    lines.push(`- [${title}](#${anchor(title)}), ${cases.length}`)
  lines.push('')
  for (const group of CASE_GROUPS) {
    lines.push(`## ${group.title}`, '')
    for (const written of group.cases) {
      const plan = casePlan(written)
      lines.push(`### ${written.name}`, '')
      lines.push(
        `${plan.school}, ${minutes(plan.slot)}; aims: ${plan.aims.join(', ')}. ` +
          `${plan.main} main steps, ${minutes(plan.minutes)}.`,
        '',
      )
      for (const { says, because } of written.expect) lines.push(`- ${says} (${because})`)
      lines.push('')
      plan.steps.forEach((step, place) => lines.push(`${place + 1}. ${step}`))
      lines.push('')
    }
  }
  return lines.join('\n')
}
