import { COMMON_PRACTICE } from '../kinds'
import type { FindingId } from './findings'

/** Medicines that stand for an answer: whoever takes one has what the question asks about. */
export interface MedicineGroup {
  finding: FindingId
  name: string
  /** Beginnings of the words that are written on a box or said. */
  words: readonly string[]
  source: string
}
const group = (finding: FindingId, name: string, words: readonly string[]): MedicineGroup => ({
  finding,
  name,
  words,
  source: `${COMMON_PRACTICE}; international names of substances, from memory`,
})

/** By group, not by shop name: what a medicine does to skin, light, blood or current. */
export const MEDICINE_GROUPS: readonly MedicineGroup[] = [
  group('lightMedicine', 'a medicine that light makes burn', [
    'doxycyclin',
    'minocyclin',
    'tetracyclin',
    'lymecyclin',
    'ciprofloxacin',
    'ofloxacin',
    'levofloxacin',
    'hydrochlorothiazid',
    'furosemid',
    'amiodaron',
    'hypericum',
    "st john's wort",
    'johanniskraut',
    'millepertuis',
    'methoxsalen',
    'voriconazol',
  ]),
  group('isotretinoin', 'isotretinoin', ['isotretinoin', 'acitretin', 'alitretinoin']),
  group('retinoid', 'a retinoid', ['tretinoin', 'adapalen', 'tazaroten', 'trifaroten']),
  group('bloodThinner', 'a blood thinner', [
    'warfarin',
    'phenprocoumon',
    'acenocoumarol',
    'apixaban',
    'rivaroxaban',
    'edoxaban',
    'dabigatran',
    'heparin',
    'enoxaparin',
    'clopidogrel',
    'ticagrelor',
    'prasugrel',
    'acetylsalicyl',
    'aspirin',
  ]),
  group('steroids', 'steroid tablets', [
    'prednis',
    'methylprednisolon',
    'dexamethason',
    'hydrocortison',
    'cortison',
  ]),
  group('slowHealing', 'a medicine of diabetes or of the defences', [
    'insulin',
    'metformin',
    'gliclazid',
    'empagliflozin',
    'semaglutid',
    'methotrexat',
    'azathioprin',
    'ciclosporin',
    'cyclosporin',
    'mycophenol',
    'tacrolimus',
    'adalimumab',
    'etanercept',
  ]),
  group('heartPressure', 'a medicine of heart or blood pressure', [
    'propranolol',
    'metoprolol',
    'bisoprolol',
    'atenolol',
    'ramipril',
    'lisinopril',
    'enalapril',
    'candesartan',
    'losartan',
    'valsartan',
    'amlodipin',
    'digoxin',
  ]),
  group('epilepsy', 'a medicine of epilepsy', [
    'carbamazepin',
    'valpro',
    'lamotrigin',
    'levetiracetam',
    'phenytoin',
    'topiramat',
  ]),
  group('thyroid', 'a medicine of the thyroid', [
    'levothyroxin',
    'thyroxin',
    'liothyronin',
    'carbimazol',
    'thiamazol',
    'propylthiouracil',
  ]),
  group('asthma', 'a medicine of asthma', [
    'salbutamol',
    'formoterol',
    'salmeterol',
    'montelukast',
    'budesonid',
  ]),
  group('cancer', 'a medicine of cancer', [
    'tamoxifen',
    'letrozol',
    'anastrozol',
    'capecitabin',
    'imatinib',
  ]),
]
