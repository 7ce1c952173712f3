<script setup lang="ts">
import type { Visitor } from '@hollow-bell/contract';
import { computed, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api } from '../api/client.ts';
import { useAttempt } from '../composables/useAttempt.ts';
import { useDoor } from '../stores/door.ts';
import { useOutbox } from '../stores/outbox.ts';

const emit = defineEmits<{ come: [] }>();
const door = useDoor();
const outbox = useOutbox();
const router = useRouter();
const route = useRoute();
const { refusal, busy, attempt } = useAttempt();

/** A code that was read off the machine's screen stands behind the address, where no server sees it. */
const code = ref(location.hash.slice(1, 21));
const passphrase = ref('');
const way = ref<'code' | 'passphrase'>(code.value === '' ? 'passphrase' : 'code');
const device = ref(/Mobi|Android|iPhone/.test(navigator.userAgent) ? 'phone' : 'computer');
const waiting = computed(() => outbox.parcels.length);
const authority = '/api/doors/authority.crt';

async function come(answer: Promise<Visitor>): Promise<void> {
  door.come(await answer);
  emit('come');
  if (route.name === 'enter') await router.replace({ name: 'rounds' });
}
const enter = (): Promise<boolean> =>
  attempt(() => come(way.value === 'code' ? api.pair(code.value, device.value) : api.signIn(passphrase.value, device.value)));
</script>

<template>
  <main class="enter">
    <img src="/favicon.svg" alt="" width="44" height="44" />
    <h1>Come in</h1>
    <p v-if="door.visitor !== null && !door.isOut" role="status">
      {{ door.visitor.as === 'machine' ? 'You sit at the machine itself; you are in.' : 'You are in.' }}
      <RouterLink :to="{ name: 'rounds' }">To the vessels</RouterLink>
    </p>
    <template v-else>
      <p class="quiet">
        This cellar is reached from the house by those who are let in. The machine that it is on shows a code, on House; or you know the
        passphrase.
      </p>
      <p v-if="waiting > 0" role="status">
        {{ waiting === 1 ? 'One entry' : `${waiting} entries` }} of this device {{ waiting === 1 ? 'waits' : 'wait' }} to be written.
      </p>
      <form @submit.prevent="enter">
        <div class="ways" role="radiogroup" aria-label="How you come in">
          <label class="choice"><input v-model="way" type="radio" value="code" /><span>by a code</span></label>
          <label class="choice"><input v-model="way" type="radio" value="passphrase" /><span>by the passphrase</span></label>
        </div>
        <label v-if="way === 'code'">
          <span class="small quiet">code, good once and for ten minutes</span>
          <input v-model="code" class="line-input code" autocomplete="one-time-code" autocapitalize="characters" maxlength="20" required />
        </label>
        <label v-else>
          <span class="small quiet">passphrase</span>
          <input v-model="passphrase" class="line-input" type="password" autocomplete="current-password" maxlength="200" required />
        </label>
        <label>
          <span class="small quiet">what this device is called here</span>
          <input v-model="device" class="line-input" maxlength="60" required />
        </label>
        <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
        <div><el-button type="primary" native-type="submit" :loading="busy">Come in</el-button></div>
      </form>
      <details class="small">
        <summary>The browser warns of this address?</summary>
        <p>
          This house vouches for itself. Put <a :href="authority">its authority</a> on this device once, in its settings, among the
          certificates it trusts; it must show the same fingerprint as the machine’s console and its House. It can vouch for machines at
          home alone. Until then the browser warns each time, and Hollow Bell does not open without a network.
        </p>
      </details>
    </template>
  </main>
</template>

<style scoped>
.enter {
  display: grid;
  gap: 16px;
  max-width: 480px;
  margin: 0 auto;
  padding: 56px 20px 40px;
}

form,
form > label {
  display: grid;
  gap: 4px;
}

form {
  gap: 14px;
}

.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
}

.line-input {
  min-height: 48px;
  font-size: 18px;
}

.code {
  font-family: var(--mono);
  letter-spacing: 0.12em;
  text-transform: uppercase;
}
</style>
