/** Screens by path. Each is loaded when first visited; without a session only the welcome screen opens. */
import { createRouter, createWebHistory } from 'vue-router'
import { planAlong } from './composables/useAlong'
import { fetchSession } from './composables/useSession'
import { unreachable, waitsFor } from './composables/useUnreachable'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: '/trips' },
    { path: '/welcome', name: 'welcome', component: () => import('./screens/welcome/WelcomeScreen.vue'), meta: { open: true } },
    { path: '/trips', name: 'trips', component: () => import('./screens/trips/TripsScreen.vue') },
    { path: '/locker', name: 'locker', component: () => import('./screens/locker/LockerScreen.vue') },
    { path: '/rules', name: 'rules', component: () => import('./screens/rules/RulesScreen.vue') },
    { path: '/settings', name: 'settings', component: () => import('./screens/settings/SettingsScreen.vue') },
    { path: '/trips/:trip/:kit/brief', name: 'brief', component: () => import('./screens/brief/BriefScreen.vue'), props: true, meta: { trip: true } },
    { path: '/trips/:trip/:kit/bench', name: 'bench', component: () => import('./screens/bench/BenchScreen.vue'), props: true, meta: { trip: true } },
    { path: '/trips/:trip/:kit/stamina', name: 'stamina', component: () => import('./screens/stamina/StaminaScreen.vue'), props: true, meta: { trip: true } },
    { path: '/trips/:trip/:kit/stow', name: 'stow', component: () => import('./screens/stow/StowScreen.vue'), props: true, meta: { trip: true } },
    { path: '/trips/:trip/:kit/days', name: 'days', component: () => import('./screens/days/DaysScreen.vue'), props: true, meta: { trip: true, station: 'stow' } },
    { path: '/trips/:trip/:kit/bags', name: 'bags', component: () => import('./screens/bags/BagsScreen.vue'), props: true, meta: { trip: true, station: 'stow' } },
    { path: '/trips/:trip/:kit/gate', name: 'gate', component: () => import('./screens/gate/GateScreen.vue'), props: true, meta: { trip: true } },
    { path: '/trips/:trip/:kit/pack-out', name: 'packout', component: () => import('./screens/packout/PackOutScreen.vue'), props: true, meta: { trip: true } },
    { path: '/trips/:trip/:kit/trail', name: 'trail', component: () => import('./screens/trail/TrailScreen.vue'), props: true, meta: { trip: true } },
    { path: '/trips/:trip/:kit/look-back', name: 'lookback', component: () => import('./screens/lookback/LookBackScreen.vue'), props: true, meta: { trip: true } },
    { path: '/trips/:trip/:kit/suggest', name: 'suggest', component: () => import('./screens/suggest/SuggestScreen.vue'), props: true, meta: { trip: true, station: 'bench' } },
    { path: '/trips/:trip/:kit/compare', name: 'compare', component: () => import('./screens/compare/CompareScreen.vue'), props: true, meta: { trip: true, station: 'bench' } },
    { path: '/shared/:secret', name: 'shared', component: () => import('./screens/shared/SharedScreen.vue'), props: true, meta: { open: true } },
    { path: '/:rest(.*)*', name: 'lost', component: () => import('./screens/LostScreen.vue'), meta: { open: true } },
  ],
})

// On the shelf, among one's own trips, nobody plans along any more.
router.afterEach((to) => {
  if (to.name === 'trips') planAlong(null)
})

router.afterEach((_to, _from, failure) => {
  if (!failure) waitsFor.value = null
})
// A screen that is not on this device cannot be fetched.
router.onError((error, to) => unreachable(router, to.fullPath, error))

router.beforeEach(async (to) => {
  if (to.meta.open) return true
  let session
  try {
    session = await fetchSession()
  } catch (error) {
    unreachable(router, to.fullPath, error)
    return false
  }
  return session.name ? true : { name: 'welcome', query: to.fullPath === '/trips' ? {} : { next: to.fullPath } }
})
