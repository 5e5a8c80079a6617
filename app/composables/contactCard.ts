import VCard from 'vcard-creator'

/** A practice as a contact of a telephone (vCard 3.0, RFC 2426): its name and its number, no more. */
export function contactCard({ name, phone }: { name: string; phone: string }): string {
  const card = new VCard()
  card.addName({ familyName: name }).addCompany({ name })
  card.addPhoneNumber({ number: phone, type: ['work', 'voice'] })
  return card.toString()
}
