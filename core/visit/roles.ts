/**
 * Who works in a house: owners may do everything; a trainee's plans are countersigned; a receptionist
 * books, and sees names and times, but nothing of anybody's health.
 */
export const ROLES = ['owner', 'therapist', 'trainee', 'receptionist'] as const
export type Role = (typeof ROLES)[number]

/** Whether somebody of this role treats clients. */
export const treats = (role: Role): boolean => role !== 'receptionist'
