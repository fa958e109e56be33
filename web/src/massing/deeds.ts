import type { RoomView, MassView, StairView, VecMm } from '../api/client'
import type { Deed } from './hand'
import { tell, useSite } from '../site/site'
import { useTable, type Drawing } from '../table/table'
import { alongEdge, edgesOf, type Point } from '../site/edges'
import { useForeseen, type EditRequest } from './foreseen'

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
    const edit = request(deed, drawing)
    if (!edit) return
    const made = await make<RoomView | StairView | MassView>(edit.label, edit.method, edit.path, edit.body)
    if (made && edit.chooses) table.choose({ [edit.chooses]: made.id })
  }

  /** The edit that a deed asks for; none where what it was about is gone. */
  function request(deed: Deed, drawing: Drawing): (EditRequest & { chooses?: 'room' | 'stair' | 'solid' }) | undefined {
    switch (deed.what) {
      case 'ground':
        return ground(deed.from, deed.to, drawing)
      case 'line':
        return {
          label: 'Add stairs',
          method: 'POST',
          path: '/stairs/drawn',
          body: { levelId: levelId(), fromMm: flat(deed.from), toMm: flat(deed.to) },
          chooses: 'stair',
        }
      case 'edge':
        return (
          table.room && { label: 'Move a wall', method: 'POST', path: `/rooms/${table.room.id}/edges/${deed.edge}/move`, body: { outwardMm: deed.outwardMm } }
        )
      case 'corner':
        return (
          table.room && { label: 'Move a corner', method: 'POST', path: `/rooms/${table.room.id}/edges/${deed.edge}/corner`, body: { byMm: flat(deed.by) } }
        )
      case 'opening':
        return openingMoved(deed.id, deed.by)
      case 'body':
        return bodyMoved(deed)
    }
  }

  const levelId = () => table.level?.id ?? 0
  const flat = (p: Point): VecMm => ({ ...p, z: 0 })

  /** What was drawn becomes a room or a solid, or goes to or from the chosen room. */
  function ground(from: Point, to: Point, drawing: Drawing): EditRequest & { chooses?: 'room' | 'solid' } {
    const room = table.room
    const drawn = { fromMm: flat(from), toMm: flat(to) }
    if (drawing === 'join' && room) return { label: 'Add ground', method: 'POST', path: `/rooms/${room.id}/join`, body: drawn }
    if (drawing === 'cut' && room) return { label: 'Cut ground', method: 'POST', path: `/rooms/${room.id}/cut`, body: drawn }
    if (drawing === 'solid') {
      const name = `Solid ${site.massing.solids.length + 1}`
      return { label: 'Add a solid', method: 'POST', path: '/solids/drawn', body: { name, levelId: levelId(), ...drawn }, chooses: 'solid' }
    }
    return { label: 'Add a room', method: 'POST', path: '/rooms/drawn', body: { name: 'Room 1', levelId: levelId(), ...drawn }, chooses: 'room' }
  }

  function openingMoved(id: number, by: Point): EditRequest | undefined {
    const opening = site.massing.openings.find((o) => o.id === id)
    const room = site.massing.rooms.find((r) => r.id === opening?.roomId)
    const edge = room && edgesOf(room).find((e) => e.edge === opening?.edge)
    return opening && edge && { label: 'Move an opening', method: 'PATCH', path: `/openings/${id}`, body: { atMm: opening.atMm + alongEdge(edge, by) } }
  }

  function bodyMoved({ body, by }: Extract<Deed, { what: 'body' }>): EditRequest {
    const moved = (v: VecMm) => ({ x: v.x + by.x, y: v.y + by.y, z: v.z })
    if ('room' in body) return { label: 'Move the room', method: 'POST', path: `/rooms/${body.room.id}/arrange`, body: { byMm: flat(by) } }
    if ('stair' in body) return { label: 'Move the stairs', method: 'PATCH', path: `/stairs/${body.stair.id}`, body: { footMm: moved(body.stair.footMm) } }
    return { label: 'Move the solid', method: 'PATCH', path: `/solids/${body.solid.id}`, body: { cornerMm: moved(body.solid.boxMm.min) } }
  }

  return { finish, request }
}
