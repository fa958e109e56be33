import { watch, type Ref } from 'vue'

type Values = Record<string, Ref<unknown>>

/**
 * Keeps how one looks at a site, for each site by itself and in this browser alone: it stands again when the site is opened the next time. A site that is looked at for the first
 * time begins with the values that stand here now.
 */
export function keepForSite(name: string, siteId: () => number | undefined, values: Values) {
  const usual = snapshot(values)
  const at = (id: number) => `hausbau.${name}.${id}`
  let isTakenUp = false

  watch(
    siteId,
    (id) => {
      isTakenUp = false
      if (id === undefined) return
      const kept = { ...JSON.parse(usual), ...read(at(id)) } as Record<string, unknown>
      for (const key of Object.keys(values)) values[key]!.value = kept[key]
      isTakenUp = true
    },
    { immediate: true, flush: 'sync' },
  )
  watch(
    () => snapshot(values),
    (now) => {
      const id = siteId()
      if (isTakenUp && id !== undefined) write(at(id), now)
    },
  )
}

const snapshot = (values: Values) => JSON.stringify(Object.fromEntries(Object.entries(values).map(([key, value]) => [key, value.value])))

function read(key: string): Record<string, unknown> {
  try {
    return JSON.parse(localStorage.getItem(key) ?? '{}') as Record<string, unknown>
  } catch {
    return {}
  }
}

/** A browser that keeps nothing, or has no room left, only forgets sooner. */
function write(key: string, text: string) {
  try {
    localStorage.setItem(key, text)
  } catch {
    // Nothing is lost but how one looked at it.
  }
}
