/**
 * Runs in each page of the preview. Where only the menus and their looks have changed, these are put in place of the old
 * ones; otherwise the page is loaded again, where it was. Shows what is wrong.
 */
export const liveScript = `(function () {
  var key = 'kamino-scroll ' + location.pathname;
  // A browser keeps few connections to one server: the pages of a sheet of widths share that of the sheet.
  var isInSheet = self !== top;
  var events = isInSheet ? new BroadcastChannel('kamino') : new EventSource('/_kamino/events');
  var kept = sessionStorage.getItem(key);
  if (kept) {
    sessionStorage.removeItem(key);
    var to = JSON.parse(kept);
    var go = function () { scrollTo({ left: to[0], top: to[1], behavior: 'instant' }); };
    go();
    addEventListener('load', go);
  }
  var own = location.pathname + location.search;
  var get = function () { return fetch(own).then(function (answer) { return answer.text(); }); };
  var parsed = function (text) { return new DOMParser().parseFromString(text, 'text/html'); };
  var rest = function (page) {
    page.querySelectorAll('[data-kamino]').forEach(function (one) { one.remove(); });
    page.querySelectorAll('[data-kamino-id]').forEach(function (one) { one.removeAttribute('id'); });
    return page.documentElement.outerHTML;
  };
  var before = get();
  function again() {
    sessionStorage.setItem(key, JSON.stringify([scrollX, scrollY]));
    events.close();
    location.reload();
  }
  function swap(texts) {
    var fresh = parsed(texts[1]);
    var olds = document.querySelectorAll('[data-kamino]'), news = fresh.querySelectorAll('[data-kamino]');
    if (olds.length !== news.length || rest(parsed(texts[0])) !== rest(parsed(texts[1]))) return again();
    before = Promise.resolve(texts[1]);
    olds.forEach(function (old, at) {
      var next = document.importNode(news[at], true);
      if (old.matches('link')) {
        next.href = next.getAttribute('href') + '?' + Date.now();
        next.addEventListener('load', function () { old.remove(); });
        old.after(next);
      } else old.replaceWith(next);
    });
    dispatchEvent(new Event('kamino-swapped'));
  }
  function show(text) {
    var box = document.getElementById('kamino-problems');
    if (!text) { if (box) box.remove(); return; }
    if (!box) {
      box = document.createElement('pre');
      box.id = 'kamino-problems';
      box.setAttribute('role', 'alert');
      Object.assign(box.style, {
        position: 'fixed', inset: 'auto 0 0 0', zIndex: '2147483647', margin: '0', padding: '1rem 1.25rem', maxHeight: '45vh',
        overflow: 'auto', color: '#fff', background: '#7a1d14', font: '13px/1.5 ui-monospace, monospace', whiteSpace: 'pre-wrap'
      });
      document.body.append(box);
    }
    box.textContent = text;
  }
  events.onmessage = function (event) {
    var told = JSON.parse(event.data);
    show(told.problems);
    if (!told.isNew || told.problems) return;
    if (told.isPlan) Promise.all([before, get()]).then(swap, again);
    else again();
  };
})();
`;
