/** What a page may do with a form control, in which `one` is the control and `form` its form. */
export const deeds: Readonly<Record<string, string>> = {
  'set before it is in a page': `const early = make(); early.value = 'a'; see(early.value); form.append(early); one = early;`,
  'set, and sent in the same turn': `one.value = 'a'; see(sent());`,
  'set to null': `one.value = 'a'; one.value = null; see(one.value);`,
  'set to undefined': `one.value = undefined; see(one.value, sent());`,
  'set to a number': `one.value = 5; see(one.value, sent());`,
  reset: `one.value = 'a'; form.reset(); see(one.value, sent());`,
  'disabled by its property': `one.value = 'a'; one.disabled = true; see(sent(), one.getAttribute('disabled'));`,
  'disabled and enabled again': `one.disabled = true; one.disabled = false; see(one.disabled, one.matches(':disabled'), one.hasAttribute('disabled'));`,
  'disabled by a fieldset': `set.disabled = true; see(one.disabled, one.matches(':disabled')); await turn(); see(inner().matches(':disabled'));`,
  'disabled and enabled inside a disabled fieldset': `set.disabled = true; one.disabled = true; one.disabled = false; see(one.disabled, one.matches(':disabled')); await turn(); see(inner().matches(':disabled'));`,
  'enabled with its fieldset': `set.disabled = true; one.disabled = true; one.removeAttribute('disabled'); set.disabled = false; await turn(); see(inner().matches(':disabled'), one.willValidate);`,
  'disabled while its fieldset is enabled': `one.disabled = true; set.disabled = true; set.disabled = false; await turn(); see(inner().matches(':disabled'), one.willValidate);`,
  'required and empty': `one.required = true; await turn(); see(one.validity.valid, one.willValidate, one.checkValidity(), form.checkValidity());`,
  'required and set': `one.required = true; one.value = 'a'; see(one.validity.valid, one.validationMessage, form.checkValidity());`,
  'a message of the page': `one.value = 'a'; one.setCustomValidity('Not today.'); see(one.validity.customError, one.validationMessage, form.checkValidity()); one.setCustomValidity(''); see(one.validity.valid, one.validationMessage);`,
  'its name': `one.name = 'b'; one.value = 'x'; see(one.name, one.getAttribute('name'), sent());`,
  'its form': `see(one.form === form); one.remove(); see(one.form);`,
  'its labels': `label.htmlFor = one.id; see(one.labels.length, one.labels[0] === label);`,
  'typed, and read by who hears it': `let heard = []; form.addEventListener('input', () => heard.push(one.value, sent())); await type('q'); see(...heard);`,
  'taken out and put back': `one.value = 'a'; one.remove(); form.append(one); see(one.value, sent());`,
};

/** Returns an expression that does a deed to a new control of a tag, and comes to what was seen. */
export const run = (tag: string, deed: string): string => `(async () => {
  document.body.innerHTML = '<label>l</label><form><fieldset></fieldset></form>';
  const form = document.querySelector('form'), set = form.firstChild, label = document.querySelector('label');
  const make = () => Object.assign(document.createElement('${tag}'), { id: 'c', name: 'n' });
  let one = make();
  set.append(one);
  const seen = [];
  const see = (...all) => seen.push(...all.map((value) => (value === undefined ? 'undefined' : value)));
  const sent = () => [...new FormData(form)].map((entry) => entry.join('=')).join('&');
  const turn = () => new Promise((done) => setTimeout(done));
  const inner = () => one.shadowRoot?.querySelector('input') ?? one;
  const type = async (text) => { inner().value = text; inner().dispatchEvent(new Event('input', { bubbles: true, composed: true })); };
  await turn();
  ${deed}
  return seen;
})()`;
