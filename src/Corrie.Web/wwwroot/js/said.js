/** Says something in words, also to those who do not see the page. */
export function say(words) {
  const said = document.getElementById('said');
  said.textContent = words;
  clearTimeout(say.timer);
  say.timer = setTimeout(() => { said.textContent = ''; }, 3500);
}

/** Tells those who do not see the page what has become of what they did. */
export function tell(words) {
  document.getElementById('heard').textContent = words;
}
