<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { asProblem, byField } from '@/api/problem'
import MuleMark from '@/components/MuleMark.vue'
import TabRow from '@/components/TabRow.vue'
import { useSession } from '@/composables/useSession'
import { currentBench } from '@/composables/useTrips'

const router = useRouter()
const route = useRoute()
const { session, enter, demo } = useSession()
const fresh = ref(false)
const name = ref('')
const password = ref('')

const problem = computed(() => {
  const error = enter.error.value ?? demo.error.value
  return error ? asProblem(error) : null
})
const errors = computed(() => byField(problem.value))

async function go(): Promise<void> {
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
      <p class="claim">What to take, what each thing buys, and whether it flies.</p>
      <p class="more">
        Lay your gear on the table. Load a lens and see what it reaches and what it weighs; leave one and see what you would miss. Every
        bag is on the scales, every leg of the journey at the gate.
      </p>
      <VBtn v-if="session?.demo_mode" color="primary" variant="flat" height="44" :loading="demo.isPending.value" @click="stepIn">
        Step into the demo: nine winter days in Lofoten
      </VBtn>
    </section>
    <form class="enter" @submit.prevent="go">
      <TabRow v-model="fresh" class="ways" label="Sign in or sign up" :tabs="[{ name: false, title: 'I have an account' }, { name: true, title: 'Make an account' }]" />
      <VTextField v-model="name" label="Name" autocomplete="username" :error-messages="errors.name" />
      <VTextField
        v-model="password"
        label="Password"
        type="password"
        :autocomplete="fresh ? 'new-password' : 'current-password'"
        :hint="fresh ? 'At least 8 characters' : undefined"
        :error-messages="errors.password"
      />
      <p v-if="problem && problem.fields.length === 0" class="wrong" role="alert">{{ problem.title }}</p>
      <VBtn type="submit" height="40" :loading="enter.isPending.value">{{ fresh ? 'Make the account' : 'Sign in' }}</VBtn>
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
  padding: 12vh 64px;
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
  margin: 40px 0 20px;
}
.more {
  font-size: var(--text-large);
  max-width: 34em;
  margin: 0 0 34px;
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
