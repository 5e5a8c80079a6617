import { JOULE_MILLIJOULES, MINUTE_SECONDS } from '../units'

/**
 * Dose of light in J/cm²: irradiance × time. @param irradiance mW/cm² @param minutes under the lamp
 */
export const lightDose = (irradiance: number, minutes: number): number =>
  (irradiance * minutes * MINUTE_SECONDS) / JOULE_MILLIJOULES
