import { openedPage } from '#contracts/replies/opened'
import { route } from '../http/route'
import { readOpened } from '../services/shelf/opened'

export default route({ reply: openedPage }, () => readOpened())
