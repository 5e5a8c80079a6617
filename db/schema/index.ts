export * from './people'
export * from './visits'
export * from './care'
export * from './method'
