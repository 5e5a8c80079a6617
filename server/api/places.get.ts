import { placesQuery } from '#contracts/hours'
import { places } from '#contracts/replies/house'
import { route } from '../http/route'
import { freePlaces } from '../services/day/places'

export default route({ desk: true, query: placesQuery, reply: places }, ({ query }) =>
  freePlaces(query),
)
