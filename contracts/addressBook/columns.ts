/** What a column of a file may be. */
export const IMPORT_FIELDS = [
  'name',
  'first',
  'last',
  'born',
  'phone',
  'email',
  'work',
  'medicines',
  'notes',
] as const
export type ImportField = (typeof IMPORT_FIELDS)[number]
/** Which column holds which field, by its place in the file. */
export type Mapping = Partial<Record<ImportField, number>>

/**
 * How columns are commonly called in English, German, French, Spanish, Swedish and Finnish, without
 * accents.
 */
const CALLED: Readonly<Record<ImportField, string>> = {
  name: `name, full name, fullname, display name, client, customer, fn, nimi, asiakas, namn, kund,
    kunde, kundin, anzeigename, vollstandiger name, nom complet, cliente, nombre completo`,
  first: `first, first name, firstname, given name, forename, vorname, prenom, nombre, fornamn,
    etunimi`,
  last: `last, last name, lastname, family name, surname, nachname, familienname, nom,
    nom de famille, apellido, apellidos, efternamn, sukunimi`,
  born: `born, birthday, birth day, birth date, birthdate, date of birth, dob, bday, geburtstag,
    geburtsdatum, geboren, naissance, date de naissance, ne le, nacimiento, fecha de nacimiento,
    cumpleanos, fodd, fodelsedatum, fodelsedag, syntymaaika, syntymapaiva, syntynyt`,
  phone: `phone, phone number, mobile, mobile phone, primary phone, home phone, tel, telephone, cell,
    cell phone, telefon, telefonnummer, handy, mobil, mobilnummer, portable, telefono, movil,
    puhelin, puhelinnumero, matkapuhelin, kannykka`,
  email: `email, e-mail, mail, e-mail address, email address, courriel, correo, correo electronico,
    epost, e-post, sahkoposti`,
  work: `work, job, job title, occupation, profession, title, organization title, beruf, metier,
    profesion, yrke, ammatti`,
  medicines: `medicine, medicines, medication, medikamente, medicaments, medicamentos, mediciner,
    laakkeet`,
  notes: `note, notes, remark, remarks, comment, comments, notiz, notizen, bemerkung, bemerkungen,
    remarque, remarques, commentaires, notas, observaciones, anteckning, anteckningar, kommentar,
    kommentarer, muistiinpano, muistiinpanot, huomautus`,
}
const NAMES = new Map(
  IMPORT_FIELDS.flatMap((field) =>
    CALLED[field].split(',').map((name) => [name.replace(/\s+/g, ' ').trim(), field] as const),
  ),
)
/** A name of a column without accents, marks and the number an address book gives it. */
const plain = (name: string) =>
  name
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/ \d+ - value$/, '')
    .replace(/[*:()]/g, '')
    .replace(/\s+/g, ' ')
    .trim()

/** A first guess of which column is what, by its name. */
export function guessMapping(headers: readonly string[]): Mapping {
  const out: Mapping = {}
  headers.forEach((name, at) => {
    const field = NAMES.get(plain(name))
    if (field !== undefined) out[field] ??= at
  })
  return out
}
