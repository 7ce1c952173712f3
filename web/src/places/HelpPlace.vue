<script setup lang="ts">
import { SCHOOLS, SCHOOL_IDS } from '@hollow-bell/core/feed';
import { STILL } from '@hollow-bell/core/glass';
import { useRouter } from 'vue-router';
import { anchorOf } from '../parts/help/termsIn.ts';
import { DIP_WORDS, GATES, TERMS } from '../parts/help/words.ts';
import { singleKeysOn } from '../composables/useSingleKeys.ts';
import { SHORTCUTS } from '../shortcuts.ts';

const router = useRouter();
const KEYS = Object.values(SHORTCUTS).filter(({ keys }) => keys[0] !== 'g');
const PARTS = [
  ['unmeasured', 'Who does not measure'],
  ['gates', 'Before glass is closed'],
  ['terms', 'Words'],
  ['dip', 'The dip line'],
  ['schools', 'Schools of feeding'],
  ['keys', 'Keys'],
] as const;
function go(id: string): void {
  const heading = document.querySelector<HTMLElement>(`#${id}`);
  heading?.scrollIntoView();
  heading?.focus({ preventScroll: true });
}
</script>

<template>
  <section class="help">
    <h1>Help</h1>
    <p class="parts no-print">
      <button v-for="[id, name] in PARTS" :key="id" type="button" class="link" @click="go(id)">{{ name }}</button>
    </p>

    <h2 id="unmeasured" tabindex="-1">Who does not measure</h2>
    <p>Two readings decide whether a mead is a mead or a risk, and a hydrometer for them costs less than the honey of one batch.</p>
    <ol class="steps">
      <li>
        <b>Before the yeast goes in.</b> Stir well, fill the jar, let the hydrometer float free, spin it, and read where the liquid cuts the
        stem, at the bottom of its curve. This says how much sugar there is, how strong it can become and how much nitrogen the yeast needs.
        Nobody can reckon it back later from the taste.
      </li>
      <li>
        <b>Before glass is closed, twice and {{ STILL.atEnd.days }} days apart</b> where it should stop; twice in
        {{ STILL.nearTwo.days }} days, or three times in {{ STILL.nearThree.days }}, where it rests a little above. Stir or shake the gas
        out of the sample first: bubbles lift the hydrometer. Only a gravity that stays the same says that nothing ferments. A still airlock
        does not say it, a lid may leak; nor does clear mead, nor weeks gone by, nor that it tastes dry.
      </li>
    </ol>
    <p class="caution">
      Where these two are missing, keep it under an airlock, or drink it fresh from the vessel. Sugar that goes on fermenting in closed
      glass makes gas until the glass gives way. What you write down without them is kept all the same, with wide ranges.
    </p>

    <h2 id="gates" tabindex="-1">Before glass is closed: the gates</h2>
    <dl>
      <template v-for="[gate, says] in GATES" :key="gate"
        ><dt>{{ gate }}</dt>
        <dd>{{ says }}</dd></template
      >
    </dl>
    <p class="small quiet">A school may need fewer of them; a gate can be opened by your own word, which is kept in the record.</p>

    <h2 id="terms" tabindex="-1">Words</h2>
    <dl>
      <template v-for="[term, means] in TERMS" :key="term"
        ><dt :id="anchorOf(term)" tabindex="-1">{{ term }}</dt>
        <dd>{{ means }}</dd></template
      >
    </dl>

    <h2 id="dip" tabindex="-1">What the dip line understands</h2>
    <dl>
      <template v-for="[line, does] in DIP_WORDS" :key="line"
        ><dt class="mono">{{ line }}</dt>
        <dd>{{ does }}</dd></template
      >
    </dl>

    <h2 id="schools" tabindex="-1">Schools of feeding</h2>
    <p class="quiet">Makers disagree, and each of these has made good mead. The house has one; a batch may have another.</p>
    <dl>
      <template v-for="id in SCHOOL_IDS" :key="id"
        ><dt>{{ SCHOOLS[id].name }}</dt>
        <dd>{{ SCHOOLS[id].says }}</dd></template
      >
    </dl>

    <h2 id="keys" tabindex="-1">Keys</h2>
    <label class="check"><input v-model="singleKeysOn" type="checkbox" /> One key alone does something, on this device</label>
    <dl>
      <template v-for="{ shown, does } in KEYS" :key="shown"
        ><dt class="mono">{{ shown }}</dt>
        <dd>{{ does }}</dd></template
      >
    </dl>
    <p><el-button @click="router.back()">Back</el-button></p>
  </section>
</template>

<style scoped>
.help {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 10px;
  max-width: 820px;
  padding-top: 12px;
}

.parts {
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;
}

h2 {
  padding-top: 18px;
  font-size: 18px;
}

.steps {
  display: grid;
  gap: 10px;
  counter-reset: step;
}

.steps li {
  padding-left: 30px;
  counter-increment: step;
}

.steps li::before {
  content: counter(step);
  float: left;
  margin-left: -30px;
  color: var(--bronze);
  font-size: 20px;
  font-weight: 740;
  line-height: 1.1;
}

dl {
  display: grid;
  grid-template-columns: minmax(0, 240px) minmax(0, 1fr);
  gap: 6px 20px;
}

dt {
  font-weight: 680;
}

dt.mono {
  font-size: 14px;
  font-weight: 500;
}

.check {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 44px;
}

@media (max-width: 720px) {
  dl {
    grid-template-columns: minmax(0, 1fr);
    gap: 2px;
  }

  dd {
    padding-bottom: 8px;
  }
}
</style>
