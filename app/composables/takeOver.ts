/**
 * A form takes over what the house says anew, but for the fields that somebody has changed since:
 * what is typed stays.
 * @param base what the form showed when it was last equal to the house
 */
export function takeOver<Fields extends object>(form: Fields, now: Fields, base: Fields): void {
  for (const key of Object.keys(now) as (keyof Fields)[])
    if (form[key] === base[key]) form[key] = now[key]
}
