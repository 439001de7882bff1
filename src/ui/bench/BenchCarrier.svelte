<script lang="ts">
  import { PROFILES } from '$core/numbering';
  import { SLOW, SOLD_OUT } from '$standins/carrier/simulated';
</script>

<p>
  The carrier stand-in sells numbers from the ranges that regulators keep for fiction, so nobody is ever
  called by mistake.
</p>
<ul>
  {#each PROFILES as p (p.country)}<li>
      <b>{p.name}</b>: {[...new Set(p.fiction.map((f) => f.area))].join(', ')}
    </li>{/each}
</ul>
<p>It behaves like a real one:</p>
<ul>
  <li>sold out: {SOLD_OUT.join(', ')}</li>
  <li>slow to answer: {Object.keys(SLOW).join(', ')}</li>
  <li>about one number in twelve is taken by somebody else before you order it</li>
</ul>

<style>
  p {
    margin: 0 0 8px;
  }
  ul {
    margin: 0 0 12px;
    padding-left: 18px;
    list-style: disc;
    font-size: 14px;
  }
</style>
