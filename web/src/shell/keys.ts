import { useEventListener } from '@vueuse/core'
import { useCommands } from '../commands/commands'
import { tell, useSite } from '../site/site'
import { useTable } from '../table/table'
import { usePicking } from '../table/picking'
import { useLaying } from '../repeat/laying'
import { useTwinning } from '../repeat/twinning'
import { usePlacing } from '../placing/placing'
import { useStrutting } from '../placing/strutting'

const ARROWS: Record<string, [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }

/** The keys of the Table: each does its command, arrows nudge, Enter sets down and Esc puts back. Typing in a field and pressing a focused button stay what they are. */
export function useKeys() {
  const site = useSite()
  const placing = usePlacing()
  const laying = useLaying()
  const table = useTable()
  const picking = usePicking()
  const strutting = useStrutting()
  const twinning = useTwinning()
  const commands = useCommands()

  /** Keys are done in turn: pressed faster than the server answers, they give what they would give at leisure. */
  const run = (work: () => unknown) => {
    void site
      .inTurn(async () => {
        await work()
      })
      .catch(tell)
    return true
  }

  function shift(x: number, y: number, z: number) {
    if (!placing.held && !site.selection.size && !site.isBusy()) return false
    const by = { x, y, z }
    return run(() => (placing.held ? placing.nudge(by) : site.selection.size ? placing.moveBy(by) : undefined))
  }

  const letGo = () =>
    run(() => {
      if (placing.held) placing.putBack()
      else if (strutting.active) strutting.active = false
      else if (twinning.active) twinning.active = false
      else if (laying.what) laying.stop()
      else if (laying.chosen) laying.choose(undefined)
      else if (table.drawing) table.drawing = ''
      else {
        site.select([])
        table.chooseNothing()
      }
    })

  function plain(e: KeyboardEvent): boolean {
    const step = (site.site?.stepMm ?? 0) * (e.shiftKey ? 0.1 : 1)
    const arrow = ARROWS[e.key]
    if (arrow) return shift(arrow[0] * step, arrow[1] * step, 0)
    switch (e.key) {
      case 'PageUp':
        return shift(0, 0, step)
      case 'PageDown':
        return shift(0, 0, -step)
      case 'Enter':
        return placing.holds ? run(() => placing.setDown()) : false
      case 'Escape':
        return letGo()
      default:
        return false
    }
  }

  function menuAtSelection() {
    picking.menu = { x: window.innerWidth / 2, y: window.innerHeight / 3 }
    return true
  }

  function onKey(e: KeyboardEvent) {
    const target = e.target as HTMLElement
    if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'k') {
      commands.finding = true
      e.preventDefault()
      return
    }
    if (target.closest('input, textarea, select, [role=combobox], [role=dialog], [role=menu]')) return
    if (e.altKey || !site.site) return
    if (e.key === 'ContextMenu' || (e.key === 'F10' && e.shiftKey)) {
      if (menuAtSelection()) e.preventDefault()
      return
    }
    // Enter and Space press a focused button, except while something is held: then Enter sets it down.
    if (target.closest('button, a') && (e.key === ' ' || (e.key === 'Enter' && !placing.holds))) return
    const command = commands.ofKey(e)
    if (command) void command.run()
    else if (e.ctrlKey || e.metaKey || !plain(e)) return
    e.preventDefault()
  }

  useEventListener(window, 'keydown', onKey)
}
