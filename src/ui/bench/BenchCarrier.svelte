<script lang="ts">
  import { PROFILES } from '$core/numbering';
  import { count } from '../format';
  import { SLOW } from '$standins/carrier/simulated';
  import { SOLD_OUT } from '$standins/carrier/stock';
</script>

<p>
  The carrier stand-in sells numbers from the ranges that regulators keep for fiction, so nobody is ever
  called by mistake.
</p>
<ul>
  {#each PROFILES as p (p.country)}<li>
      <b>{p.name}</b>: {p.fiction.length
        ? count(new Set(p.fiction.map((f) => f.area)).size, 'area')
        : 'nothing, for no range is kept for fiction there'}
    </li>{/each}
</ul>
<p>It behaves like a real one:</p>
<ul>
  <li>sold out: {SOLD_OUT.join(', ')}</li>
  <li>slow to answer: {Object.keys(SLOW).join(', ')}</li>
  <li>about one number in twelve is taken by somebody else before you order it</li>
  <li>a reservation lasts ten minutes</li>
</ul>
<p>A port is checked after 4 hours and confirmed after two days, or refused after one. It is refused when</p>
<ul>
  <li>the account number has fewer than 5 digits, or the PIN is 0000</li>
  <li>the address on the bill is a P.O. box</li>
  <li>the wanted day is less than five working days away</li>
  <li>the number ends in 99, until the provider's name says “unlocked”</li>
</ul>
<p>Approval to text is decided after 14 days. It is refused when</p>
<ul>
  <li>the sample does not say STOP, the purpose is shorter than 20 letters, or the website is not one</li>
</ul>

<style>
  p {
    margin: 0 0 8px;
  }
  ul {
    margin: 0 0 12px;
    padding-left: 18px;
    list-style: disc;
    font-size: var(--text-lead);
  }
</style>
