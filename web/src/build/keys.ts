import { onBeforeUnmount, onMounted, type Ref } from 'vue'
import { tell, useSite } from '../site/site'
import { useTable } from '../table/table'
import { usePlacing } from './placing'

const ARROWS: Record<string, [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }

/** The keys of the Table; typing in a field and pressing a focused button stay what they are. */
export function useKeys(openStage: (key: string) => boolean, sheet: Ref<boolean>) {
  const site = useSite()
  const placing = usePlacing()
  const table = useTable()

  const run = (work: Promise<unknown> | undefined) => void work?.catch(tell)

  function withControl(e: KeyboardEvent): boolean {
    const key = e.key.toLowerCase()
    if (key === 'z') run(e.shiftKey ? site.redo() : site.undo())
    else if (key === 'c') placing.copyToClipboard()
    else if (key === 'v') placing.paste()
    else if (key === 'd' && site.selection.size) run(placing.copyBy({ x: site.site!.stepMm, y: 0, z: 0 }))
    else return false
    return true
  }

  function shift(x: number, y: number, z: number) {
    const by = { x, y, z }
    if (placing.held) placing.nudge(by)
    else if (site.selection.size) run(placing.moveBy(by))
    else return false
    return true
  }

  function turn(quarters: number) {
    if (placing.held) placing.turn(quarters)
    else if (site.selection.size) run(site.arrange('Turn', { quarterTurns: quarters }))
  }

  function mirror() {
    if (placing.held) placing.mirror()
    else if (site.selection.size) run(site.arrange('Mirror', { mirror: true }))
  }

  function letGo() {
    if (placing.held) placing.putBack()
    else if (table.drawingRoom) table.drawingRoom = false
    else site.select([])
  }

  function plain(e: KeyboardEvent): boolean {
    const step = (site.site?.stepMm ?? 0) * (e.shiftKey ? 0.1 : 1)
    const arrow = ARROWS[e.key]
    if (arrow) return shift(arrow[0] * step, arrow[1] * step, 0)
    switch (e.key) {
      case 'PageUp': return shift(0, 0, step)
      case 'PageDown': return shift(0, 0, -step)
      case ',': turn(1); break
      case '.': turn(-1); break
      case '/': mirror(); break
      case 'j': if (site.selection.size) run(site.plumb()); break
      case 'n': run(placing.repeat()); break
      case 'y': placing.pickUp(); break
      case 'Enter': if (!placing.held) return false; run(placing.setDown()); break
      case 'Escape': letGo(); break
      case 'Delete': case 'Backspace': if (site.selection.size) run(site.takeAway()); break
      case 'k': table.cutaway = !table.cutaway; break
      case 'h': table.look('all'); break
      case 'l': table.look('selection'); break
      case '?': sheet.value = !sheet.value; break
      default: return openStage(e.key)
    }
    return true
  }

  function onKey(e: KeyboardEvent) {
    const target = e.target as HTMLElement
    if (target.closest('input, textarea, select, [role=combobox], [role=dialog]')) return
    if (e.altKey || !site.site) return
    // Enter and Space press a focused button, except while something is held: then Enter sets it down.
    if (target.closest('button, a') && (e.key === ' ' || (e.key === 'Enter' && !placing.held))) return
    if (e.ctrlKey || e.metaKey ? withControl(e) : plain(e)) e.preventDefault()
  }

  onMounted(() => window.addEventListener('keydown', onKey))
  onBeforeUnmount(() => window.removeEventListener('keydown', onKey))
}
