<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { asProblem, byField } from '@/api/problem'
import MuleMark from '@/components/MuleMark.vue'
import TabRow from '@/components/TabRow.vue'
import { useForgotten, useSession } from '@/composables/useSession'
import { currentBench } from '@/composables/useTrips'

/** It comes while people read. */
const WindowBench = defineAsyncComponent(() => import('./WindowBench.vue'))
const router = useRouter()
const route = useRoute()
const { session, enter, demo } = useSession()
const { letter, reset } = useForgotten()
const fresh = ref(false)
const forgot = ref(false)
/** What a link in a letter brought. */
const link = computed(() => (typeof route.query.reset === 'string' ? route.query.reset : ''))
const told = ref('')
const name = ref('')
const password = ref('')

const problem = computed(() => {
  const error = enter.error.value ?? demo.error.value ?? letter.error.value ?? reset.error.value
  return error ? asProblem(error) : null
})
const errors = computed(() => byField(problem.value))

async function write(): Promise<void> {
  await letter.mutateAsync(name.value).catch(() => undefined)
  if (letter.isSuccess.value) told.value = 'If that account has an email address, a link is on its way.'
}
async function setAnew(): Promise<void> {
  await reset.mutateAsync({ link: link.value, password: password.value }).catch(() => undefined)
  if (reset.isSuccess.value) await router.push('/trips')
}
async function go(): Promise<void> {
  if (link.value) return setAnew()
  if (forgot.value) return write()
  const path = fresh.value ? '/api/session/sign-up' : '/api/session/sign-in'
  await enter.mutateAsync({ path, name: name.value, password: password.value }).catch(() => undefined)
  if (enter.isSuccess.value) await router.push(String(route.query.next ?? '/trips'))
}
async function stepIn(): Promise<void> {
  await demo.mutateAsync().catch(() => undefined)
  if (demo.isSuccess.value) await router.push(route.query.next ? String(route.query.next) : await currentBench())
}
</script>

<template>
  <main id="screen" class="welcome">
    <section class="say">
      <div class="brand"><MuleMark class="mark" /><span>narrow mule</span></div>
      <p class="claim">Know what to take, and whether it flies.</p>
      <p class="more">
        Lay your gear on the table. Load a lens and see what it reaches and what it weighs; leave one and see what you would miss. Every
        bag is on the scales, every leg of the journey at the gate. Try it below:
      </p>
      <VBtn v-if="session?.demo_mode" color="primary" variant="flat" height="44" :loading="demo.isPending.value" @click="stepIn">
        Step into the demo: nine winter days in Lofoten
      </VBtn>
      <WindowBench />
    </section>
    <form class="enter" @submit.prevent="go">
      <h2 v-if="link">A new password</h2>
      <TabRow v-else v-model="fresh" class="ways" label="Sign in or sign up" :tabs="[{ name: false, title: 'I have an account' }, { name: true, title: 'Make an account' }]" />
      <VTextField v-if="!link" v-model="name" label="Name" autocomplete="username" :error-messages="errors.name" />
      <VTextField
        v-if="!forgot"
        v-model="password"
        label="Password"
        type="password"
        :autocomplete="fresh || link ? 'new-password' : 'current-password'"
        :hint="fresh || link ? 'At least 8 characters' : undefined"
        :error-messages="errors.password"
      />
      <p v-if="problem && problem.fields.length === 0" class="wrong" role="alert">{{ problem.title }}</p>
      <VBtn type="submit" height="40" :loading="enter.isPending.value">{{ link ? 'Set password and sign in' : forgot ? 'Mail me a link' : fresh ? 'Make the account' : 'Sign in' }}</VBtn>
      <p v-if="told" role="status">{{ told }}</p>
      <p v-if="errors.link" class="wrong" role="alert">This link no longer works. It needs {{ errors.link }}.</p>
      <button v-if="session?.mail && !link && !fresh" type="button" class="link" @click="forgot = !forgot">{{ forgot ? 'Back to signing in' : 'Forgot the password?' }}</button>
    </form>
  </main>
</template>

<style scoped>
.welcome {
  height: 100%;
  display: grid;
  grid-template-columns: 1.2fr 1fr;
  overflow: auto;
}
.say {
  background: var(--mat);
  color: var(--mat-ink);
  padding: 32px 64px;
  background-image:
    linear-gradient(var(--mat-line) 1px, transparent 1px), linear-gradient(90deg, var(--mat-line) 1px, transparent 1px);
  background-size: 56px 56px;
  background-repeat: repeat;
}
.brand {
  display: flex;
  align-items: center;
  gap: 10px;
  font-weight: 800;
  font-stretch: 120%;
  font-size: var(--text-figure);
}
.mark {
  color: var(--mat-figure);
}
.claim {
  font-size: var(--text-claim);
  line-height: 1.15;
  font-weight: 700;
  font-stretch: 104%;
  max-width: 15em;
  margin: 18px 0 10px;
}
.more {
  font-size: var(--text-large);
  max-width: 34em;
  margin: 0 0 14px;
}
.say :deep(.v-btn) {
  background: var(--mat-ink) !important;
  color: var(--mat) !important;
  white-space: normal;
}
.enter {
  align-self: center;
  width: min(360px, 84%);
  margin: 0 auto;
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.ways {
  font-size: var(--text-large);
  margin-bottom: 6px;
}
.wrong {
  color: var(--rust);
  margin: 0;
}
@media (max-width: 1000px) {
  .welcome {
    grid-template-columns: 1fr;
  }
  .say {
    padding: 40px 24px;
  }
  .enter {
    margin: 32px auto;
  }
}
</style>
