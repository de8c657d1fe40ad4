/** The page's title: what is shown, of what, in the app. Tabs, bookmarks and readers go by it. */
import { useTitle } from '@vueuse/core'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { SCREENS } from '@/wording/stations'

/** of: the trip, where there is one. */
export function usePageTitle(of: () => string | undefined = () => undefined): void {
  const route = useRoute()
  useTitle(computed(() => [SCREENS[String(route.name)], of(), 'Narrow Mule'].filter(Boolean).join(' · ')))
}
