<script setup lang="ts">
import { exactly, weighedG } from '@hollow-bell/core/quantities';
import { WAKES_H, sweetenWorking } from '@hollow-bell/core/sweeten';
import FigureValue from '../parts/figures/FigureValue.vue';
import SentenceText from '../parts/figures/SentenceText.vue';
import PickList from '../parts/fields/PickList.vue';
import QuantityField from '../parts/fields/QuantityField.vue';
import WhenField from '../parts/fields/WhenField.vue';
import StationHead from '../parts/log/StationHead.vue';
import GateRow from '../parts/stabilize/GateRow.vue';
import BalancePanel from '../parts/sweeten/BalancePanel.vue';
import BlendFields from '../parts/sweeten/BlendFields.vue';
import GlassLadder from '../parts/sweeten/GlassLadder.vue';
import SiblingsTable from '../parts/sweeten/SiblingsTable.vue';
import SweetOutcome from '../parts/sweeten/SweetOutcome.vue';
import { pouredEvent, toldAs } from '../parts/sweeten/sweeteners.ts';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { useSweetening } from '../composables/useSweetening.ts';
import { useWhen } from '../composables/useWhen.ts';
import { useBatch } from '../stores/batch.ts';
import { useShelf } from '../stores/shelf.ts';

const store = useBatch();
const { show, showFigure, tell, money } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
void useShelf().loadOnce();
const {
  sweeteners,
  rows,
  parts,
  names,
  by,
  WAYS,
  WORDS,
  wantedSg,
  wantedSugar,
  wordSg,
  ownG,
  glassG,
  answer,
  additions,
  now,
  result,
  shut,
  isBarred,
  fits,
  overflows,
  fate,
  sugar,
  isStable,
  sweetness,
  asSugar,
  harmsDogs,
  tellsGlass,
  usualStepG,
  shelfNote,
  cost,
} = useSweetening();

const { at, when } = useWhen();
async function add(share: number): Promise<void> {
  const all = additions.value;
  if (all === null) return;
  const { scaleG } = store.batch?.plan.practice ?? {};
  const events = all.flatMap(({ massG }, i) => {
    const of = parts.value[i]?.of;
    const weighed = weighedG(massG * share, scaleG);
    return of === undefined || weighed <= 0 ? [] : [{ of, massG: weighed, event: pouredEvent(of, weighed) }];
  });
  const told = events.map(({ of, massG }) => `${show('massG', massG)} ${toldAs(of)}`).join(' and ');
  const done = await attempt(() =>
    store.write(
      events.map(({ event }) => event),
      `stirred in ${told}`,
      /** What speaks against it stands beside the button. */
      { ...when.value, isSure: true },
    ),
  );
  if (done) glassG.value = null;
}
const taste = (told: string): Promise<boolean> =>
  attempt(() => store.write([{ kind: 'note', payload: { text: told, mark: 'tasting' } }], 'wrote the tasting'));
</script>

<template>
  <section>
    <StationHead>{{ shelfNote === '' ? tell(store.state.sentence) : shelfNote }}</StationHead>
    <GateRow :gates="store.gates" />
    <div v-if="store.view !== null" class="columns">
      <div class="stack">
        <BlendFields v-model="rows" :sweeteners="sweeteners" />
        <GlassLadder
          v-if="parts.length > 0"
          :key="names.join(' ')"
          :of="names.join(' and ')"
          :batch-l="store.view.volumeL"
          :usual-step-g="usualStepG"
          :tells="tellsGlass"
          :chosen-g="glassG"
          @choose="glassG = $event"
          @write="taste"
        />
        <h2>Or by a target</h2>
        <div class="inputs">
          <PickList v-model="by" label="sweeten to" :options="WAYS" />
          <QuantityField v-if="by === 'sg'" v-model="wantedSg" kind="sg" label="gravity wanted" @update:model-value="glassG = null" />
          <QuantityField
            v-else-if="by === 'sugar'"
            v-model="wantedSugar"
            kind="gPerL"
            label="sugar wanted"
            @update:model-value="glassG = null"
          />
          <PickList v-else-if="by === 'word'" v-model="wordSg" label="makers’ word" :options="WORDS" @update:model-value="glassG = null" />
          <QuantityField v-else v-model="ownG" kind="mass" label="all of it together" @update:model-value="glassG = null" />
        </div>
        <p v-if="answer !== null && answer.refusal !== ''" class="refusal" role="alert">{{ answer.refusal }}</p>
        <BalancePanel @write="taste" />
        <SiblingsTable />
      </div>
      <div class="stack">
        <h2>For the whole vessel</h2>
        <p v-if="answer === null || result === null || additions === null" class="quiet">
          Choose a glass, or name a target. What goes in cannot be taken out again.
        </p>
        <template v-else>
          <FigureValue
            v-for="(each, i) in additions"
            :key="i"
            class="amount"
            data-test="honey"
            :label="names[i] ?? ''"
            kind="massG"
            :figure="exactly(each.massG)"
            :working="sweetenWorking(store.ledger.liquid, additions, names)"
          />
          <SweetOutcome :before="now" :after="result" :sugar="sugar" :fill="fits" />
          <p class="small quiet" data-test="word">
            {{
              asSugar === null
                ? sweetness
                : `As sweet as ${showFigure('gPerL', asSugar)} of sugar. The gravity rises as if it were sugar; in truth a third less.`
            }}
          </p>
          <p v-if="cost !== null" class="small quiet">It costs {{ money(cost) }} by the shelf.</p>
          <p v-if="harmsDogs" class="caution"><b>Xylitol kills dogs.</b> Where one may come near, take another.</p>
          <template v-if="!isBarred">
            <p>
              Start with <b>{{ show('massG', answer.totalG / 2) }}</b>, stir without splashing, taste.
            </p>
            <WhenField v-model="at" />
            <div class="deeds">
              <el-button type="primary" :loading="busy" :disabled="blocked || overflows" @click="add(0.5)"
                >Add {{ show('massG', answer.totalG / 2) }} now</el-button
              >
              <el-button :loading="busy" :disabled="blocked || overflows" @click="add(1)">All of it</el-button>
            </div>
          </template>
          <div v-else class="danger" role="alert">
            <p v-if="shut !== null">
              <b>{{ isStable ? 'Its gates are not all open.' : 'This mead is not stabilized.' }}</b> “{{ shut.name }}”
              <SentenceText :sentence="shut.sentence" />.
            </p>
            <p v-else><b>This school adds nothing that ferments.</b> Choose another one first, or a sweetener that yeast leaves alone.</p>
            <p v-if="fate !== null">
              The yeast would turn this into <b>{{ show('abv', fate.moreAbv) }}</b> more alcohol and, in closed bottles, into
              <b>{{ show('volumes', fate.co2Volumes) }}</b> of gas: at least <b>{{ show('bar', fate.pressureBar) }}</b>. Wine bottles burst
              long before. It wakes within {{ WAKES_H.low }} to {{ WAKES_H.high }} hours, by our estimate: heat or stabilize it the same
              day.
            </p>
            <h2>By which school?</h2>
            <RouterLink
              v-if="store.batch !== null"
              v-slot="{ navigate }"
              :to="{ name: 'station', params: { id: store.batch.id, station: 'stabilize' } }"
              custom
              ><el-button type="primary" @click="navigate">Stabilize first: powders, heat, or none</el-button></RouterLink
            >
            <el-button v-if="!isStable" :loading="busy" :disabled="blocked || overflows" @click="add(1)"
              >Feed the yeast with it, under an airlock</el-button
            >
            <p class="small quiet">Fed, it will not stay sweet, and bottling stays shut until it is proven still. Or leave it dry.</p>
          </div>
          <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
        </template>
      </div>
    </div>
  </section>
</template>

<style scoped>
.inputs {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 8px 24px;
}

.pick {
  display: grid;
  gap: 2px;
  align-content: start;
}

.amount :deep(.number) {
  font-size: 34px;
}

.danger {
  display: grid;
  gap: 10px;
  justify-items: start;
  padding-left: 12px;
  border-left: 4px solid var(--madder);
}

@media (max-width: 720px) {
  .inputs {
    grid-template-columns: 1fr;
  }
}
</style>
