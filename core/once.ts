/** A function that works each answer out once. */
export function once<Asked, Answer>(work: (asked: Asked) => Answer): (asked: Asked) => Answer {
  const known = new Map<Asked, Answer>()
  return (asked) => {
    const found = known.get(asked)
    if (found !== undefined) return found
    const fresh = work(asked)
    known.set(asked, fresh)
    return fresh
  }
}

/**
 * The same for what is read from an object that does not change, a bottle's label or a shelf: known
 * for as long as the object is.
 */
export function oncePer<Asked extends object, Answer>(
  work: (asked: Asked) => Answer,
): (asked: Asked) => Answer {
  const known = new WeakMap<Asked, Answer>()
  return (asked) => {
    const found = known.get(asked)
    if (found !== undefined) return found
    const fresh = work(asked)
    known.set(asked, fresh)
    return fresh
  }
}
