import type { RoomView, MassView, StairView, VecMm } from '../api/client'
import type { Deed } from '../plan/hand'
import { tell, useSite } from '../site/site'
import { useTable, type Drawing } from '../table/table'
import { alongEdge, edgesOf, type Point } from './edges'
import { useForeseen } from './foreseen'

/** Makes edits of what a hand did on the plan. */
export function useDeeds() {
  const site = useSite()
  const table = useTable()
  const { make } = useForeseen()

  function finish(deed: Deed) {
    const drawing = table.drawing
    if (deed.what === 'line' && drawing === 'section') {
      table.drawing = ''
      table.cutSection(deed.from, deed.to)
      return
    }
    if (deed.what === 'ground' || deed.what === 'line') table.drawing = ''
    void site.inTurn(() => work(deed, drawing)).catch(tell)
  }

  async function work(deed: Deed, drawing: Drawing): Promise<void> {
    switch (deed.what) {
      case 'ground':
        return ground(deed.from, deed.to, drawing)
      case 'line': {
        const made = await make<StairView>('Add stairs', 'POST', '/stairs/drawn', { levelId: levelId(), fromMm: flat(deed.from), toMm: flat(deed.to) })
        if (made) table.choose({ stair: made.id })
        return
      }
      case 'edge':
        if (table.room) await make('Move a wall', 'POST', `/rooms/${table.room.id}/edges/${deed.edge}/move`, { outwardMm: deed.outwardMm })
        return
      case 'corner':
        if (table.room) await make('Move a corner', 'POST', `/rooms/${table.room.id}/edges/${deed.edge}/corner`, { byMm: flat(deed.by) })
        return
      case 'opening':
        return moveOpening(deed.id, deed.by)
      case 'body':
        return moveBody(deed)
    }
  }

  const levelId = () => table.level?.id ?? 0
  const flat = (p: Point): VecMm => ({ ...p, z: 0 })

  /** What was drawn becomes a room or a solid, or goes to or from the chosen room. */
  async function ground(from: Point, to: Point, drawing: Drawing): Promise<void> {
    const room = table.room
    const drawn = { fromMm: flat(from), toMm: flat(to) }
    if (drawing === 'join' && room) await make('Add ground', 'POST', `/rooms/${room.id}/join`, drawn)
    else if (drawing === 'cut' && room) await make('Cut ground', 'POST', `/rooms/${room.id}/cut`, drawn)
    else if (drawing === 'solid') {
      const name = `Solid ${site.massing.solids.length + 1}`
      const made = await make<MassView>('Add a solid', 'POST', '/solids/drawn', { name, levelId: levelId(), ...drawn })
      if (made) table.choose({ solid: made.id })
    } else {
      const made = await make<RoomView>('Add a room', 'POST', '/rooms/drawn', { name: 'Room 1', levelId: levelId(), ...drawn })
      if (made) table.choose({ room: made.id })
    }
  }

  /** Moves an opening along its wall. */
  async function moveOpening(id: number, by: Point): Promise<void> {
    const opening = site.massing.openings.find((o) => o.id === id)
    const room = site.massing.rooms.find((r) => r.id === opening?.roomId)
    const edge = room && edgesOf(room).find((e) => e.edge === opening?.edge)
    if (opening && edge) await make('Move an opening', 'PATCH', `/openings/${id}`, { atMm: opening.atMm + alongEdge(edge, by) })
  }

  async function moveBody({ body, by }: Extract<Deed, { what: 'body' }>): Promise<void> {
    const moved = (v: VecMm) => ({ x: v.x + by.x, y: v.y + by.y, z: v.z })
    if ('room' in body) await make('Move the room', 'POST', `/rooms/${body.room.id}/arrange`, { byMm: flat(by) })
    else if ('stair' in body) await make('Move the stairs', 'PATCH', `/stairs/${body.stair.id}`, { footMm: moved(body.stair.footMm) })
    else await make('Move the solid', 'PATCH', `/solids/${body.solid.id}`, { cornerMm: moved(body.solid.boxMm.min) })
  }

  return { finish }
}
