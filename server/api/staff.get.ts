import { asc, eq } from 'drizzle-orm'
import { staff } from '#db/schema'
import { staffList } from '#contracts/replies/people'
import { route } from '../http/route'
import { database } from '../services/database'

export default route({ desk: true, reply: staffList }, () =>
  database()
    .select({ id: staff.id, name: staff.name, role: staff.role })
    .from(staff)
    .where(eq(staff.active, true))
    .orderBy(asc(staff.name)),
)
