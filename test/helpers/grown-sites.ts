/**
 * Sites as people have let them grow, made from a number: each with a second language or area of its own, rows of links
 * that differ from page to page by design, things that are no links in its menus, and mistakes to plant.
 */
export interface GrownSite {
  name: string;
  files: Record<string, string>;
  mistakes: readonly GrownMistake[];
  /** What stands in old menus beside links, and must be in the pages after a draft and a build. */
  kept: readonly string[];
  /** Labels of the second menu: they stay on its pages. */
  second: { pages: string; labels: readonly string[] };
}

export interface GrownMistake {
  kind: string;
  file: string;
  edit: (text: string) => string;
  rule: string;
  /** What the line that is told holds, in the text with the mistake; null for a finding without a line. */
  told: string | null;
}

type Entry = readonly [path: string, label: string];
const english: readonly Entry[] = [
  ['index.html', 'Home'],
  ['boats.html', 'Boats'],
  ['prices.html', 'Prices'],
  ['finding-us.html', 'Finding us'],
  ['journal/index.html', 'Journal'],
  ['contact.html', 'Contact'],
];
const welsh: readonly Entry[] = [
  ['cy/index.html', 'Hafan'],
  ['cy/cychod.html', 'Cychod'],
  ['cy/prisiau.html', 'Prisiau'],
  ['cy/lleoliad.html', 'Lleoliad'],
  ['cy/dyddiadur.html', 'Dyddiadur'],
  ['cy/cyswllt.html', 'Cyswllt'],
];
const shop: readonly Entry[] = [
  ['shop/index.html', 'Shop'],
  ['shop/ropes.html', 'Ropes'],
  ['shop/lamps.html', 'Lamps'],
  ['shop/charts.html', 'Charts'],
  ['shop/order.html', 'How to order'],
];
const posts = ['1999-spring', '1999-autumn', '2000-spring', '2000-autumn', '2001-spring', '2001-autumn'];

const layouts = ['list', 'row', 'column', 'line', 'nav', 'spans'] as const;
const seconds = ['language', 'folder', 'area', 'shorter'] as const;
const extras = ['form beside', 'form inside', 'caption', 'picture', 'words', 'nothing'] as const;

export function grownSite(number: number): GrownSite {
  const layout = layouts[number % layouts.length]!;
  const second = seconds[Math.floor(number / 3) % seconds.length]!;
  const extra = extras[(number * 5 + 2) % extras.length]!;
  return new Grower(layout, second, extra).site(`${layout}, ${second}, ${extra}`);
}

class Grower {
  readonly #layout: (typeof layouts)[number];
  readonly #second: (typeof seconds)[number];
  readonly #extra: (typeof extras)[number];
  readonly #others: readonly Entry[];

  constructor(
    layout: (typeof layouts)[number],
    second: (typeof seconds)[number],
    extra: (typeof extras)[number],
  ) {
    this.#layout = layout;
    this.#second = second;
    this.#extra = extra;
    this.#others = second === 'area' ? shop : second === 'shorter' ? welsh.slice(0, 5) : welsh;
  }

  site(name: string): GrownSite {
    const files: Record<string, string> = {
      'site.css': 'body { background: url(img/paper.png) }\n.nav a { color: #036 }\n',
      'img/paper.png': 'x',
      'img/gull.jpg': 'x',
      'swap.js': 'var x;\n',
      'list.pdf': 'x',
    };
    for (const [path, label] of english) files[path] = this.#page(path, label, this.#body(path));
    files['tide.html'] = this.#page('tide.html', 'The tides', '<p>Twice a day.</p>');
    const all = this.#second === 'shorter' ? welsh : this.#others;
    for (const [path, label] of all) files[path] = this.#page(path, label, this.#plainBody(path));
    for (const [at, post] of posts.entries())
      files[`journal/${post}.html`] = this.#page(`journal/${post}.html`, `Diary of ${post}`, post2(at));
    const labels = this.#others.map(([, label]) => label);
    const pages = this.#second === 'area' ? 'shop/' : 'cy/';
    return { name, files, mistakes: this.#mistakes(), kept: this.#kept(), second: { pages, labels } };
  }

  #isOther(path: string): boolean {
    return path.startsWith('cy/') || path.startsWith('shop/');
  }

  #page(path: string, title: string, body: string): string {
    const up = path.includes('/') ? '../' : '';
    const lang = path.startsWith('cy/') ? 'cy' : 'en';
    const html = this.#second === 'folder' ? '<html>' : `<html lang="${lang}">`;
    const entries = this.#isOther(path) ? this.#others : english;
    return `<!DOCTYPE HTML PUBLIC "-//W3C//DTD HTML 4.01 Transitional//EN">
${html}
<head>
<meta http-equiv="Content-Type" content="text/html; charset=utf-8">
<meta name="viewport" content="width=device-width">
<title>${title} at Gull Quay</title>
<link rel="stylesheet" href="${up}site.css">
<script src="${up}swap.js"></script>
</head>
<body>
${this.#menu(entries, path, up)}
<div id="content">
<h1>${title}</h1>
<p><img src="${up}img/gull.jpg" alt="A gull"> This is the page about ${title}, and it says quite a lot about it.</p>
${body}
<p>Written by hand since 1999.</p>
</div>
</body>
</html>
`;
  }

  #menu(entries: readonly Entry[], path: string, up: string): string {
    const href = (to: string): string =>
      path.includes('/') && to.startsWith(folderOf(path)) ? to.slice(folderOf(path).length) : up + to;
    const links = entries.map(([to, label]) =>
      to === path ? `<b class="here">${label}</b>` : `<a href="${href(to)}">${label}</a>`,
    );
    const [before, inside, behind] = this.#extraIn();
    switch (this.#layout) {
      case 'list':
        return `<div class="nav">\n${before}<ul>\n${items([...links, ...inside])}</ul>\n${behind}</div>`;
      case 'nav':
        return `<nav id="main">\n${before}<ul class="bar">\n${items([...links, ...inside])}</ul>\n${behind}</nav>`;
      case 'row':
        return `<table class="top" width="100%"><tr bgcolor="#336699">\n${[...links, ...inside].map(one => `<td>${one}</td>\n`).join('')}</tr></table>${before}${behind}`;
      case 'column':
        return `<table width="100%"><tr><td class="side" width="150">\n${before}${[...links, ...inside].map(one => `${one}<br>\n`).join('')}${behind}</td></tr></table>`;
      case 'line':
        return `<div class="nav">\n${before}${[...links, ...inside].join(' |\n')}\n${behind}</div>`;
      case 'spans':
        return `<div id="nav">\n${before}${[...links, ...inside].map(one => `<span class="it">${one}</span>\n`).join('')}${behind}</div>`;
    }
  }

  /** What stands before the links, among them and behind them. */
  #extraIn(): [string, string[], string] {
    const form =
      '<form action="https://seek.example/" method="get"><input name="q"><input type="submit" value="Seek"></form>';
    switch (this.#extra) {
      case 'form beside':
        return ['', [], `${form}\n`];
      case 'form inside':
        return ['', [form], ''];
      case 'caption':
        return ['<h3>On this site</h3>\n', [], ''];
      case 'picture':
        return ['<img src="https://quay.example/flag.gif" alt="Our flag" width="60" height="40">\n', [], ''];
      case 'words':
        return [
          '',
          [],
          '<p>The harbour office is open from nine to five, and on Sundays by appointment.</p>\n',
        ];
      case 'nothing':
        return ['', [], ''];
    }
  }

  #kept(): string[] {
    const kept: Record<(typeof extras)[number], string[]> = {
      'form beside': ['<input name="q">'],
      'form inside': ['<input name="q">'],
      caption: ['On this site'],
      picture: ['flag.gif'],
      words: ['open from nine to five'],
      nothing: [],
    };
    return kept[this.#extra];
  }

  #plainBody(path: string): string {
    const other = path.startsWith('cy/') ? 'index.html' : 'contact.html';
    return `<p>More of it is <a href="../${other}">over there</a>.</p>`;
  }

  #body(path: string): string {
    switch (path) {
      case 'index.html':
        return `<p>See the <a href="prices.html#winter">winter prices</a>, or <a href="list.pdf">all of them</a>.</p>
<ul>\n${this.#others
          .slice(0, 1)
          .map(([to, label]) => `<li><a href="${to}">${label}</a></li>\n`)
          .join(
            '',
          )}${this.#second === 'shorter' ? '<li><a href="cy/cyswllt.html">Cyswllt</a></li>\n' : ''}</ul>`;
      case 'prices.html':
        return `<ul class="toc">\n<li><a href="#summer">Summer</a></li>\n<li><a href="#winter">Winter</a></li>\n<li><a href="#groups">Groups</a></li>\n</ul>
<h2 id="summer">Summer</h2>\n<p>Ten.</p>\n<h2><a name="winter">Winter</a></h2>\n<p>Five.</p>\n<h2 id="groups">Groups</h2>\n<p>Less.</p>`;
      case 'boats.html':
        return `<ul class="toc">\n<li><a href="#tern">The Tern</a></li>\n<li><a href="#petrel">The Petrel</a></li>\n</ul>
<h2 id="tern">The Tern</h2>\n<p>White.</p>\n<h2 id="petrel">The Petrel</h2>\n<p>Black, and seen in the <a href="journal/2000-spring.html">spring of 2000</a>.</p>`;
      case 'contact.html':
        return '<p>Ask at the <a href="https://quay.example/">quay</a>.</p>\n<p><a href="tide.html">The tides</a></p>';
      case 'journal/index.html':
        return `<ul>\n${posts.map(post => `<li><a href="${post}.html">Diary of ${post}</a></li>\n`).join('')}</ul>`;
      default:
        return '<p>Ask at the <a href="https://quay.example/">quay</a>.</p>';
    }
  }

  #mistakes(): GrownMistake[] {
    const has = (...some: string[]): boolean => some.includes(this.#layout);
    const isList = has('list', 'nav');
    const link = (label: string): RegExp => new RegExp(`<a href="[^"]*">${label}</a>`);
    const whole = (label: string): RegExp =>
      isList
        ? new RegExp(`<li><a href="[^"]*">${label}</a></li>\\n`)
        : has('row')
          ? new RegExp(`<td><a href="[^"]*">${label}</a></td>\\n`)
          : has('column')
            ? new RegExp(`<a href="[^"]*">${label}</a><br>\\n`)
            : has('spans')
              ? new RegExp(`<span class="it"><a href="[^"]*">${label}</a></span>\\n`)
              : new RegExp(`<a href="[^"]*">${label}</a> \\|\\n`);
    const start = {
      list: ['caption', 'words'].includes(this.#extra) ? '<ul>' : '<div class="nav">',
      nav: '<nav id="main">',
      row: '<tr bgcolor',
      column: '<td class="side"',
      line: '<div class="nav">',
      spans: '<div id="nav">',
    }[this.#layout];
    const swap =
      (pattern: RegExp | string, by: string) =>
      (text: string): string => {
        const made = text.replace(pattern, by);
        if (made === text) throw new Error(`${String(pattern)} is not there`);
        return made;
      };
    const second = this.#others[1]![0];
    const [third, thirdLabel] = this.#others[2]!;
    const all: (GrownMistake | null)[] = [
      {
        kind: 'an entry is missing',
        file: 'journal/1999-spring.html',
        edit: swap(whole('Boats'), ''),
        rule: 'menu-differs',
        told: start,
      },
      {
        kind: 'another label',
        file: 'journal/1999-autumn.html',
        edit: swap('>Prices</a>', '>Our prices</a>'),
        rule: 'menu-differs',
        told: '>Our prices</a>',
      },
      {
        kind: 'another target',
        file: 'journal/2000-spring.html',
        edit: swap(/"[^"]*contact.html">Contact/, '"../boats.html">Contact'),
        rule: 'menu-differs',
        told: '>Contact</a>',
      },
      {
        kind: 'a target in another folder',
        file: 'journal/2000-autumn.html',
        edit: swap('"../prices.html"', '"prices.html"'),
        rule: 'wrong-folder',
        told: '"prices.html"',
      },
      {
        kind: 'the second menu lacks an entry',
        file: second,
        edit: swap(whole(thirdLabel), ''),
        rule: 'menu-differs',
        told: start,
      },
      {
        kind: 'a link to a page that is not there',
        file: 'contact.html',
        edit: swap('<p>Written', '<p><a href="finding-uss.html">Us</a>\n<p>Written'),
        rule: 'dead-link',
        told: 'finding-uss',
      },
      {
        kind: 'a link to a section that is not there',
        file: 'index.html',
        edit: swap('#winter', '#wnter'),
        rule: 'dead-link',
        told: '#wnter',
      },
      {
        kind: 'capitals',
        file: 'finding-us.html',
        edit: swap('<p>Written', '<p><a href="Boats.html">Boats!</a>\n<p>Written'),
        rule: 'letter-case',
        told: '"Boats.html"',
      },
      {
        kind: 'a forgotten #',
        file: 'prices.html',
        edit: swap('"#groups"', '"groups"'),
        rule: 'missing-hash',
        told: '"groups"',
      },
      {
        kind: 'a disk',
        file: 'boats.html',
        edit: swap('<p>White', '<p><a href="file:///C:/site/list.pdf">list</a>\n<p>White'),
        rule: 'foreign-path',
        told: 'file:///',
      },
      {
        kind: 'a folder outside',
        file: 'journal/2001-spring.html',
        edit: swap('<p>Written', '<p><a href="../../other/index.html">other</a>\n<p>Written'),
        rule: 'foreign-path',
        told: '../../other',
      },
      {
        kind: 'an empty address',
        file: third,
        edit: swap('over there</a>', 'over there</a> <a href="">x</a>'),
        rule: 'empty-link',
        told: '<a href="">',
      },
      {
        kind: 'no title',
        file: 'journal/2001-autumn.html',
        edit: swap(/<title>.*<\/title>\n/, ''),
        rule: 'untitled',
        told: null,
      },
      {
        kind: 'an id twice',
        file: 'prices.html',
        edit: swap('<p>Ten.', '<p id="summer">Ten.'),
        rule: 'same-id',
        told: '<p id="summer">',
      },
      {
        kind: 'a bad id',
        file: 'boats.html',
        edit: swap('<h1>', '<h1 id="two words">'),
        rule: 'bad-id',
        told: 'two words',
      },
      {
        kind: 'a page that nothing leads to',
        file: 'contact.html',
        edit: swap(/<p><a href="tide.html">.*<\/p>\n/, ''),
        rule: 'orphan',
        told: '',
      },
      {
        kind: 'a picture that is not there',
        file: 'contact.html',
        edit: swap('img/gull.jpg', 'img/gul.jpg'),
        rule: 'missing-file',
        told: 'img/gul.jpg',
      },
      {
        kind: 'a style sheet that is not there',
        file: 'journal/2000-spring.html',
        edit: swap('../site.css', 'site.css'),
        rule: 'missing-file',
        told: '"site.css"',
      },
      {
        kind: 'a script that is not there',
        file: 'finding-us.html',
        edit: swap('"swap.js"', '"scripts/swap.js"'),
        rule: 'missing-file',
        told: 'scripts/swap.js',
      },
      {
        kind: 'an end tag too many',
        file: 'journal/1999-spring.html',
        edit: swap('</div>\n</body>', '</div>\n</div>\n</body>'),
        rule: 'surplus-end',
        told: '</div>\n</body>',
      },
      {
        kind: 'an entry too many',
        file: 'journal/2001-autumn.html',
        edit: swap(
          link('Contact'),
          `$&${isList ? '</li>\n<li>' : has('row') ? '</td>\n<td>' : has('column') ? '<br>\n' : has('spans') ? '</span>\n<span class="it">' : ' |\n'}<a href="../list.pdf">The list</a>`,
        ),
        rule: 'menu-differs',
        told: '../list.pdf',
      },
      isList
        ? {
            kind: 'a list that is not closed',
            file: 'journal/index.html',
            edit: swap('</ul>\n', ''),
            rule: 'unclosed-list',
            told: this.#layout === 'list' ? '<ul>' : '<ul class="bar">',
          }
        : null,
      {
        kind: 'aria-current on the wrong entry',
        file: third,
        edit: swap(new RegExp(`<a (href="[^"]*">${this.#others[1]![1]})`), '<a aria-current="page" $1'),
        rule: 'wrong-current',
        told: 'aria-current',
      },
      {
        kind: 'no menu',
        file: 'boats.html',
        edit: text => text.replace(/<body>\n[^]*?<div id="content">/, '<body>\n<div id="content">'),
        rule: 'menu-missing',
        told: null,
      },
      {
        kind: 'the same title',
        file: 'finding-us.html',
        edit: swap('<title>Finding us', '<title>Contact'),
        rule: 'same-title',
        told: '',
      },
    ];
    return all.filter(one => one !== null);
  }
}

function items(links: readonly string[]): string {
  return links.map(one => `<li>${one}</li>\n`).join('');
}

const folderOf = (path: string): string => path.slice(0, path.lastIndexOf('/') + 1);

function post2(at: number): string {
  const turn = [
    posts[at - 1] ? `<a href="${posts[at - 1]!}.html">Previous</a>` : '',
    posts[at + 1] ? `<a href="${posts[at + 1]!}.html">Next</a>` : '',
  ].filter(Boolean);
  const tags = ['boats.html', 'prices.html', 'contact.html', 'index.html', 'finding-us.html'].filter(
    (_, tag) => (tag + at) % 3 > 0,
  );
  return `<p>It rained. <a href="../contact.html">Tell us</a> where it did not.</p>
<ul class="tags">\n${tags.map(tag => `<li><a href="../${tag}">${tag.replace('.html', '')}</a></li>\n`).join('')}</ul>
<p class="turn">${turn.join(' | ')}</p>`;
}
