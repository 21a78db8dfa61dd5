// Times are sent as of Greenwich; here they are shown as the reader's clock has them.
const shown = {
  day: new Intl.DateTimeFormat([], { day: 'numeric', month: 'short', year: 'numeric' }),
  minute: new Intl.DateTimeFormat([], { hour: '2-digit', minute: '2-digit' }),
  whole: new Intl.DateTimeFormat([], { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' }),
};

export function when() {
  document.querySelectorAll('time[data-when]').forEach(time => { time.textContent = shown[time.dataset.when].format(new Date(time.dateTime)); });
}
