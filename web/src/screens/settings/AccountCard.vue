<script setup lang="ts">
/** The account: another password, signing out on every device, deleting it with all that is its own. */
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { asProblem, byField, sentence } from '@/api/problem'
import SheetDialog from '@/components/SheetDialog.vue'
import { moment } from '@/format/dates'
import { notify } from '@/composables/useNotice'
import { useAccount, useSession } from '@/composables/useSession'

const props = defineProps<{ name: string }>()
const router = useRouter()
const { password, everywhere, remove, email, signIns, end } = useAccount()
const { session } = useSession()
const address = ref(session.value?.email ?? '')
async function keepAddress(): Promise<void> {
  try {
    await email.mutateAsync(address.value)
    wrong.value = {}
    notify(address.value ? 'Saved. If you forget your password, we mail you a link to set a new one.' : 'Address removed. You get no more mail.')
  } catch (error) {
    wrong.value = byField(asProblem(error))
  }
}
const old = ref('')
const fresh = ref('')
const typed = ref('')
const deleting = ref(false)
const wrong = ref<Record<string, string>>({})

async function change(): Promise<void> {
  try {
    await password.mutateAsync({ old: old.value, new: fresh.value })
    wrong.value = {}
    old.value = fresh.value = ''
    notify('Your password is changed. Every other device is signed out.')
  } catch (error) {
    wrong.value = byField(asProblem(error))
    if (!Object.keys(wrong.value).length) notify(error as Error)
  }
}
async function leave(): Promise<void> {
  try {
    await everywhere.mutateAsync()
    await router.push({ name: 'welcome' })
  } catch (error) {
    notify(error as Error)
  }
}
async function go(): Promise<void> {
  try {
    await remove.mutateAsync(typed.value)
    deleting.value = false
    await router.push({ name: 'welcome' })
  } catch (error) {
    wrong.value = { name: sentence(asProblem(error)) }
  }
}
</script>

<template>
  <section aria-label="Your account">
    <h2>Your account</h2>
    <form class="form" @submit.prevent="change">
      <input class="hidden" type="text" autocomplete="username" :value="props.name" tabindex="-1" aria-hidden="true" readonly />
      <VTextField v-model="old" type="password" label="Current password" autocomplete="current-password" :error-messages="wrong.old" />
      <VTextField v-model="fresh" type="password" label="New password" autocomplete="new-password" :error-messages="wrong.new" />
      <VBtn type="submit" :disabled="!old || !fresh" :loading="password.isPending.value">Change password</VBtn>
    </form>
    <p>A new password signs out every other device. <button type="button" class="link" @click="leave">Sign out everywhere</button></p>
    <h3>Signed in</h3>
    <ul class="devices" aria-label="Where you are signed in">
      <li v-for="one in signIns ?? []" :key="one.id">{{ one.device }}, since {{ moment(one.since) }} <b v-if="one.here">here</b><button v-else type="button" class="link" :aria-label="`Sign out ${one.device}`" @click="end.mutate(one.id, { onError: notify })">sign out</button></li>
    </ul>
    <form v-if="session?.mail" class="form" @submit.prevent="keepAddress">
      <VTextField v-model="address" type="email" label="Email, for a forgotten password only" autocomplete="email" :error-messages="wrong.email" />
      <VBtn type="submit" :disabled="address === session.email" :loading="email.isPending.value">Save address</VBtn>
    </form>
    <p><button type="button" class="link" @click="deleting = true">Delete this account</button></p>
    <SheetDialog v-model="deleting" max-width="440" aria-label="Delete this account">
      <form class="sheet" @submit.prevent="go">
        <h2>Delete this account</h2>
        <p>Gear, carriers, trips, kits and notes are deleted for good. Export everything first if you may need it. Type <b>{{ props.name }}</b> to be sure.</p>
        <VTextField v-model="typed" label="Account name" :error-messages="wrong.name" />
        <div class="row">
          <VBtn autofocus @click="deleting = false">Keep it</VBtn>
          <VBtn type="submit" color="error" :disabled="typed.trim() !== props.name" :loading="remove.isPending.value">Delete it</VBtn>
        </div>
      </form>
    </SheetDialog>
  </section>
</template>

<style scoped>
.form {
  display: flex;
  flex-direction: column;
  gap: 10px;
  align-items: start;
  margin-top: 8px;
  max-width: 320px;
}
.form > :deep(.v-input) {
  width: 100%;
}
.hidden {
  display: none;
}
.row {
  display: flex;
  justify-content: end;
  gap: 10px;
  margin-top: 12px;
}
p,
h3 {
  margin: 10px 0 0;
}
.devices {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}
.devices li {
  display: flex;
  gap: 10px;
}
</style>
