import { useEventListener } from '@vueuse/core'
import type { Ref } from 'vue'
import { tell, useSite } from '../site/site'
import { useArrangement } from '../table/arrangement'
import { useTable } from '../table/table'
import { useSeeing } from '../ticket/seeing'
import { useLaying } from '../repeat/laying'
import { useTwinning } from '../repeat/twinning'
import { usePlacing } from '../placing/placing'
import { useStrutting } from '../placing/strutting'

const ARROWS: Record<string, [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }

/** The keys of the Table; typing in a field and pressing a focused button stay what they are. */
export function useKeys(openStage: (key: string) => boolean, sheet: Ref<boolean>) {
  const site = useSite()
  const placing = usePlacing()
  const laying = useLaying()
  const table = useTable()
  const views = useArrangement()
  const strutting = useStrutting()
  const seeing = useSeeing()
  const twinning = useTwinning()

  /** Keys are done in turn: pressed faster than the server answers, they give what they would give at leisure. */
  const run = (work: () => unknown) => {
    void site
      .inTurn(async () => {
        await work()
      })
      .catch(tell)
    return true
  }
  const take = (work: () => unknown) => {
    void placing.taking(work).catch(tell)
    return true
  }
  const onSelection = (work: () => unknown) => run(() => (site.selection.size ? work() : undefined))

  function withControl(e: KeyboardEvent): boolean {
    switch (e.key.toLowerCase()) {
      case 'z':
        return run(() => (e.shiftKey ? site.redo() : site.undo()))
      case 'c':
        return run(() => placing.copyToClipboard())
      case 'v':
        return take(() => placing.paste())
      case 'd':
        return onSelection(() => placing.copyBy({ x: site.site!.stepMm, y: 0, z: 0 }))
      default:
        return false
    }
  }

  function shift(x: number, y: number, z: number) {
    if (!placing.held && !site.selection.size && !site.isBusy()) return false
    const by = { x, y, z }
    return run(() => (placing.held ? placing.nudge(by) : site.selection.size ? placing.moveBy(by) : undefined))
  }

  const turn = (quarters: number) =>
    run(() => {
      if (placing.held) placing.turn(quarters)
      else if (site.selection.size) return site.arrange('Turn', { quarterTurns: quarters })
      return undefined
    })

  const mirror = () =>
    run(() => {
      if (placing.held) placing.mirror()
      else if (site.selection.size) return site.arrange('Mirror', { mirror: true })
      return undefined
    })

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
      case ',':
        return turn(1)
      case '.':
        return turn(-1)
      case '/':
        return mirror()
      case 'j':
        return onSelection(() => site.plumb())
      case 'n':
        return run(() => placing.repeat())
      case 'y':
        return take(() => placing.pickUp())
      case 'Enter':
        return placing.holds ? run(() => placing.setDown()) : false
      case 'Escape':
        return letGo()
      case 'Delete':
      case 'Backspace':
        return onSelection(() => site.takeAway())
      case 'k':
        table.cutaway = !table.cutaway
        break
      case 'p':
        seeing.finished = !seeing.finished
        break
      case 'h':
        table.look('all')
        break
      case 'l':
        table.look('selection')
        break
      case 'w':
        if (!views.isAtTable) return false
        table.walking = true
        break
      case 'x':
        views.enlarge(views.large === 'plan' ? 'space' : 'plan')
        break
      case 't':
        views.ticketFolded = !views.ticketFolded
        break
      case '?':
        sheet.value = !sheet.value
        break
      default:
        return openStage(e.key)
    }
    return true
  }

  function onKey(e: KeyboardEvent) {
    const target = e.target as HTMLElement
    if (target.closest('input, textarea, select, [role=combobox], [role=dialog]')) return
    if (e.altKey || !site.site) return
    // Enter and Space press a focused button, except while something is held: then Enter sets it down.
    if (target.closest('button, a') && (e.key === ' ' || (e.key === 'Enter' && !placing.holds))) return
    if (e.ctrlKey || e.metaKey ? withControl(e) : plain(e)) e.preventDefault()
  }

  useEventListener(window, 'keydown', onKey)
}
