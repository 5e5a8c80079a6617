import { placesQuery } from '#contracts/hours'
import { route } from '../http/route'
import { freePlaces } from '../services/day/places'

export default route({ query: placesQuery }, ({ query }) => freePlaces(query))
