import { beginBookings } from './visit'

// The files over the wire share their loaded modules: what one of them has counted up ends with it.
beginBookings()
