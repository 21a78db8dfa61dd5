// A photo opens where one is, over the wall; without script it opens by itself.
export function pictures() {
  document.addEventListener('click', event => {
    const link = event.target.closest('.photos a:has(img)');
    if (!link || event.ctrlKey || event.metaKey) {
      return;
    }
    event.preventDefault();
    const dialog = document.createElement('dialog');
    dialog.className = 'picture';
    const [image, words, close] = ['img', 'p', 'button'].map(e => document.createElement(e));
    image.src = link.href;
    image.alt = link.querySelector('img').alt;
    words.textContent = link.parentElement.querySelector('span')?.textContent ?? '';
    close.className = 'do';
    close.textContent = 'Close';
    close.addEventListener('click', () => dialog.close());
    dialog.append(image, words, close);
    document.body.append(dialog);
    dialog.addEventListener('close', () => dialog.remove());
    dialog.showModal();
  });
}
