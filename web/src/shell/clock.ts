import { onBeforeUnmount, onMounted, watch, type Ref } from 'vue'
import { useBoard } from '../board/board'
import { useSite } from '../site/site'
import type { StageName } from './stages'

const TICK_MS = 5000
const REPORT_MS = 30_000
/** A hand that has been still for so long is elsewhere. */
const STILL_MS = 120_000
const NUMBERS: Record<StageName, number> = { brief: 0, massing: 1, kit: 2, build: 3, survey: 5, handover: 6 }

/** Counts the time a stage is in use: open, in sight, and a hand at work. Reports it now and then, and on leaving. */
export function useStageClock(stage: Ref<StageName>) {
  const site = useSite()
  const board = useBoard()
  let lastHand = Date.now()
  let lastTick = Date.now()
  let seconds = 0
  let ticking: ReturnType<typeof setInterval> | undefined
  let reported = Date.now()

  const stir = () => (lastHand = Date.now())

  function tick() {
    const now = Date.now()
    if (!document.hidden && now - lastHand < STILL_MS) seconds += (now - lastTick) / 1000
    lastTick = now
    if (now - reported > REPORT_MS) report(stage.value)
  }

  function report(of: StageName) {
    const whole = Math.floor(seconds)
    reported = Date.now()
    if (whole < 1 || !site.site) return
    seconds -= whole
    void board.spend(NUMBERS[of], Math.min(3600, whole)).catch(() => (seconds += whole))
  }

  watch(stage, (_, before) => {
    tick()
    report(before)
  })
  onMounted(() => {
    ticking = setInterval(tick, TICK_MS)
    window.addEventListener('pointermove', stir)
    window.addEventListener('keydown', stir)
  })
  onBeforeUnmount(() => {
    clearInterval(ticking)
    tick()
    report(stage.value)
    window.removeEventListener('pointermove', stir)
    window.removeEventListener('keydown', stir)
  })
}
