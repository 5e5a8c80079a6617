export * from './people'
export * from './visits'
