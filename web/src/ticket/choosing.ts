import { get } from '../api/client'
import { roomAt } from '../repeat/rules'
import { useOf } from '../repeat/assembling'
import { repeatOf } from '../repeat/laying'
import { useSite } from '../site/site'
import { boxOf } from '../site/extent'
import { isSeen } from '../site/level'
import { pieceIdOf, idOf } from '../site/standing'
import { useTable } from '../table/table'

/** What more than one piece can be chosen by. */
export type By = 'piece' | 'role' | 'room' | 'level' | 'plan' | 'repeat' | 'others'

/** Selects all that is like what is selected, in one way or another. */
export function useChoosing() {
  const site = useSite()
  const table = useTable()

  /** The ids of all whose piece is one of these. */
  function ofPieces(wanted: Set<number>): string[] {
    const ids: string[] = []
    for (const c of site.placements.chunks.values()) {
      if (![...c.palette].some((id) => wanted.has(id))) continue
      for (let i = 0; i < c.count; i++) if (wanted.has(pieceIdOf(c, i))) ids.push(idOf(c, i))
    }
    return ids
  }

  async function choose(by: By) {
    const pieces = new Set(site.selected.map((p) => p.pieceId))
    switch (by) {
      case 'piece':
        return site.select(ofPieces(pieces))
      case 'role': {
        const roles = new Set([...pieces].map((id) => site.pieceById.get(id)?.role))
        return site.select(ofPieces(new Set(site.pieces.filter((p) => roles.has(p.role)).map((p) => p.id))))
      }
      case 'room': {
        const first = site.selected[0]
        const room =
          first &&
          roomAt(
            site.massing.rooms.filter((r) => Math.abs(r.cornerMm.z - first.atMm.z) <= r.heightMm),
            first.atMm,
          )
        if (room) site.select(await get<string[]>(`/api/sites/${site.site!.id}/rooms/${room.id}/placements`))
        return
      }
      case 'level':
        return site.select(
          [...site.placements.values()]
            .filter((p) => {
              const piece = site.pieceById.get(p.pieceId)
              const box = piece && boxOf(p, piece)
              return box && isSeen(site.massing, table.level, box.min.z, box.max.z)
            })
            .map((p) => p.id),
        )
      case 'plan':
        return site.select(table.inPlan())
      case 'repeat': {
        const sources = new Set([...site.selection].map(sourceOf).filter((s) => s !== undefined))
        return site.select([...sources].flatMap((s) => site.placements.of(s)))
      }
      case 'others': {
        const chosen = site.selection
        return site.select([...site.placements.values()].map((p) => p.id).filter((id) => !chosen.has(id)))
      }
    }
  }

  return { choose }
}

function sourceOf(id: string): string | undefined {
  const repeat = repeatOf(id)
  const use = useOf(id)
  return repeat !== undefined ? `repeats.${repeat}` : use !== undefined ? `uses.${use}` : undefined
}
