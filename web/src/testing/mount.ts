/** Mounting a component as the app would: with Vuetify, a router that knows the names, and a session. */
import { VueQueryPlugin } from '@tanstack/vue-query'
import { mount } from '@vue/test-utils'
import { type Component, defineComponent, h } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import { createVuetify } from 'vuetify'
import { queries } from '@/api/cache'
import type { Session, Thing, Units } from '@/api/types'

const Nothing = defineComponent({ render: () => h('div') })

/** jsdom has no viewport to place menus in: one that never moves. */
globalThis.visualViewport ??= Object.assign(new EventTarget(), { width: 1280, height: 800, offsetLeft: 0, offsetTop: 0, pageLeft: 0, pageTop: 0, scale: 1 }) as VisualViewport

/** jsdom lays nothing out: every element is this large. */
export function giveSize(width: number, height: number): void {
  globalThis.ResizeObserver = class {
    constructor(private readonly told: ResizeObserverCallback) {}
    observe(target: Element): void {
      this.told([{ target, contentRect: new DOMRect(0, 0, width, height) } as unknown as ResizeObserverEntry], this)
    }
    unobserve(): void {}
    disconnect(): void {}
  }
}

export function signedIn(units: Units = 'metric'): void {
  const session: Session = { name: 'Ines', account: 'ines', mail: false, email: '', demo_mode: false, in_demo: false, units, theme: 'day' }
  queries.setQueryData(['session'], session)
}

export function mounted(component: Component, props: Record<string, unknown>) {
  giveSize(820, 400)
  const names = ['trips', 'locker', 'brief', 'bench', 'stamina', 'stow', 'gate', 'packout', 'trail', 'lookback']
  const router = createRouter({
    history: createMemoryHistory(),
    routes: names.map((name) => ({ path: `/${name}/:trip?/:kit?`, name, component: Nothing })),
  })
  return mount(component, {
    props,
    attachTo: document.body,
    global: { plugins: [createVuetify(), router, [VueQueryPlugin, { queryClient: queries }]] },
  })
}

export function thing(id: string, kind: Thing['kind'], more: object = {}): Thing {
  const size = { shape: 'box', length_mm: 120, width_mm: 90, height_mm: 60 }
  return { id, kind, name: id, count: 1, mass_g: 500, mass_source: 'measured', size, absent: null, note: '', ...more } as Thing
}

export const NAMES = {
  thing: (id: string) => id.toUpperCase(),
  person: (id: string) => id,
  leg: (id: string) => id,
  want: (id: string) => id,
}
