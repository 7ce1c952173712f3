<script setup lang="ts">
import { PASSPHRASE_LEAST } from '@hollow-bell/contract';
import type { Doors, FloatDevice, PairingCode, Role, Visitor } from '@hollow-bell/contract';
import { onMounted, ref } from 'vue';
import { api } from '../../api/client.ts';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import PickList from '../fields/PickList.vue';
import CodeDrawing from '../figures/CodeDrawing.vue';

defineProps<{ visitor: Visitor }>();

const { refusal, busy, attempt } = useAttempt();
const { show } = useReader();
const doors = ref<Doors | null>(null);
const floats = ref<FloatDevice[]>([]);
const passphrase = ref('');
const isSet = ref(false);
const role = ref<Role>('maker');
const code = ref<PairingCode | null>(null);
const ROLES = [
  { value: 'maker', label: 'who may write' },
  { value: 'guest', label: 'who may only look' },
] as const;

const set = (answer: Promise<Doors>): Promise<boolean> =>
  attempt(async () => {
    doors.value = await answer;
  });
async function load(): Promise<void> {
  await set(api.doors());
  await attempt(async () => {
    floats.value = (await api.floats()).floats;
  });
}
onMounted(load);

async function keepPassphrase(): Promise<void> {
  isSet.value = await set(api.setPassphrase(passphrase.value));
  if (isSet.value) passphrase.value = '';
}
const letIn = (): Promise<boolean> =>
  attempt(async () => {
    code.value = await api.makeCode(role.value);
  });
const forget = (id: string): Promise<boolean> =>
  attempt(async () => {
    await api.removeFloat(id);
    await load();
  });
const leave = (): Promise<boolean> =>
  attempt(async () => {
    await api.signOut();
    location.assign('/enter');
  });
</script>

<template>
  <section v-if="doors !== null" class="doors" aria-label="Who may come in" data-test="doors">
    <h2>Who may come in</h2>
    <p v-if="doors.addresses.length === 0" class="quiet">
      Hollow Bell is heard on this machine alone. To use it from a phone beside the vessel, set a passphrase here and start with
      <code>npm start -- --house</code>.
    </p>
    <template v-else>
      <p>
        The house finds it at
        <template v-for="(address, i) in doors.addresses" :key="address"
          >{{ i > 0 ? ', ' : '' }}<b class="mono">{{ address }}</b></template
        >
      </p>
      <p v-if="doors.fingerprint !== null" class="small quiet">
        Each phone takes <a href="/api/doors/authority.crt">this house’s authority</a> once. It shows there as
        <span class="mono print">{{ doors.fingerprint }}</span>
      </p>
      <form class="row no-print" @submit.prevent="letIn">
        <PickList v-model="role" label="a device for somebody" :options="ROLES" />
        <el-button native-type="submit" :loading="busy">Let it in</el-button>
      </form>
      <div v-if="code !== null" class="code" role="status" data-test="pairing-code">
        <CodeDrawing :address="code.link ?? code.code" label="The address with the code, for a phone to read" />
        <p>
          Point the phone’s camera at this, or open <span class="mono">{{ doors.addresses[0] }}/enter</span> on it and type<br /><b
            class="mono big"
            >{{ code.code.slice(0, 4) }} {{ code.code.slice(4) }}</b
          ><br /><span class="small quiet"
            >good once, until {{ show('when', code.until) }}, for somebody
            {{ code.role === 'guest' ? 'who may only look' : 'who may write' }}</span
          >
        </p>
      </div>
    </template>
    <ul v-if="doors.sessions.length > 0" class="list">
      <li v-for="session in doors.sessions" :key="session.id" :data-session="session.name">
        <span
          ><b>{{ session.name }}</b> {{ session.role === 'guest' ? 'may only look' : 'may write'
          }}{{ session.isYours ? ', this device' : '' }}
          <span class="small quiet"
            >since {{ show('when', session.since) }}, seen {{ show('when', session.seenAt) }} from {{ session.address }}</span
          ></span
        >
        <el-button :loading="busy" @click="session.isYours ? leave() : set(api.endSession(session.id))">{{
          session.isYours ? 'Sign out' : 'End it'
        }}</el-button>
      </li>
    </ul>
    <p v-else-if="doors.addresses.length > 0" class="quiet">Nobody of the house is in.</p>
    <template v-if="floats.length > 0">
      <h3>Floats and probes</h3>
      <ul class="list">
        <li v-for="float in floats" :key="float.id">
          <span
            ><b>{{ float.name }}</b>
            <span class="small quiet">{{
              float.lastSeenAt === null ? 'has sent nothing yet' : `last sent ${show('when', float.lastSeenAt)}`
            }}</span></span
          >
          <el-button :loading="busy" @click="forget(float.id)">Shut it out</el-button>
        </li>
      </ul>
    </template>
    <form v-if="visitor.as === 'machine'" class="row no-print" @submit.prevent="keepPassphrase">
      <label>
        <span class="small quiet">{{
          doors.hasPassphrase ? 'another passphrase; every device signs in anew' : 'a passphrase for the house'
        }}</span>
        <input
          v-model="passphrase"
          class="line-input"
          type="password"
          autocomplete="new-password"
          maxlength="200"
          :placeholder="`${PASSPHRASE_LEAST} signs or more`"
        />
      </label>
      <el-button native-type="submit" :loading="busy" :disabled="passphrase === ''">Set it</el-button>
      <span v-if="isSet" class="quiet" role="status">It is set.</span>
    </form>
    <p class="small quiet">
      Whoever may use this machine itself may use the cellar, without a passphrase. A guest sees everything but who else is in, tokens and
      backups.
    </p>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
  </section>
</template>

<style scoped>
.doors {
  display: grid;
  gap: 8px;
  padding-top: 10px;
  border-top: 1px solid var(--rule);
}

.row {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 8px 12px;
}

.row > label {
  display: grid;
  flex: 0 1 300px;
}

.code {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px 20px;
  padding: 12px;
  background: var(--paper);
}

.big {
  font-size: 26px;
  letter-spacing: 0.08em;
}

.print {
  overflow-wrap: anywhere;
}

.list li {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
  padding: 4px 0;
  border-bottom: 1px solid var(--rule);
}

.list :deep(.el-button) {
  flex: none;
}

.list .small {
  display: block;
}
</style>
