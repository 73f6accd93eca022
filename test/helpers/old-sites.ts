/** Sites as they have grown by hand: right ones, and mistakes to plant into them. */
export interface OldSite {
  name: string;
  /** Pages and other files; each character is a byte. */
  files: Record<string, string>;
  mistakes: readonly Mistake[];
  /** What finds its menu, for `--from`. */
  from: string;
}

export interface Mistake {
  title: string;
  file: string;
  /** Stands once in the file; the last of its lines that differ is where the mistake is told. */
  was: string;
  is: string;
  rule: string;
  /** What the finding's line holds, where it is not the new text itself; null for a finding without a line. */
  told?: string | null;
  /** Another file that is told, where it is not this one. */
  tells?: string;
}

/** A file with one mistake more, and the line in which it is to be told (null for none). */
export function plant(text: string, { was, is, file }: Mistake): string {
  if (text.split(was).length !== 2)
    throw new Error(`${file}: \`${was}\` stands ${text.split(was).length - 1} times`);
  return text.replace(was, () => is);
}

const crlf = (text: string): string => text.replace(/\n/g, '\r\n');

// A ferry company: tables, capitals, ISO-8859-1, CRLF; the current entry is no link.
const ferryEntries = [
  ['index.html', 'Home'],
  ['times.html', 'Times'],
  ['fares.html', 'Fares'],
  ['boats/index.html', 'Boats'],
  ['islands.html', 'Islands'],
  ['contact.html', 'Contact'],
] as const;

function ferryPage(path: string, title: string, body: string): string {
  const up = path.includes('/') ? '../' : '';
  const cells = ferryEntries
    .map(([page, label]) =>
      page === path
        ? `<TD ALIGN=CENTER><FONT COLOR="#FFFFFF"><B>${label}</B></FONT></TD>`
        : `<TD ALIGN=CENTER><A HREF="${up}${page}"><FONT COLOR="#FFFFFF">${label}</FONT></A></TD>`,
    )
    .join('\n');
  return crlf(`<HTML>
<HEAD>
<META HTTP-EQUIV="Content-Type" CONTENT="text/html; charset=ISO-8859-1">
<TITLE>${title}</TITLE>
</HEAD>
<BODY BGCOLOR="#FFFFFF" TEXT="#222222">
<TABLE WIDTH="760" CELLPADDING="6" CELLSPACING="0" BORDER="0">
<TR><TD COLSPAN="6"><IMG SRC="${up}img/boat.gif" ALT="Skerry Ferries" WIDTH="760" HEIGHT="90"></TD></TR>
<TR BGCOLOR="#224466">
${cells}
</TR>
<TR><TD COLSPAN="6">
<H1>${title}</H1>
${body}
<P>Skerry Ferries \xa9 1999, the caf\xe9 on board is open.
</TD></TR>
</TABLE>
</BODY>
</HTML>
`);
}

const ferry: OldSite = {
  name: 'tables in capitals',
  from: 'tr[bgcolor="#224466"]',
  files: {
    'index.html': ferryPage(
      'index.html',
      'Skerry Ferries',
      '<P>Three boats, nine islands. <A HREF="times.html#winter">In winter</A> fewer.',
    ),
    'times.html': ferryPage(
      'times.html',
      'Times',
      '<P>Every two hours.\n<P><A HREF="#winter">In winter</A> twice a day.\n<H2><A NAME="winter">Winter</A></H2>',
    ),
    'fares.html': ferryPage('fares.html', 'Fares', '<P>A child pays half. <A HREF="list.pdf">The list</A>'),
    'boats/index.html': ferryPage(
      'boats/index.html',
      'Boats',
      '<P><A HREF="petrel.html">The Petrel</A> and <A HREF="tern.html">the Tern</A>',
    ),
    'boats/petrel.html': ferryPage(
      'boats/petrel.html',
      'The Petrel',
      '<P>Built in 1961, <A HREF="../times.html">sails daily</A>.',
    ),
    'boats/tern.html': ferryPage('boats/tern.html', 'The Tern', '<P>Built in 1974.'),
    'islands.html': ferryPage(
      'islands.html',
      'Islands',
      '<P>Nine of them, <A HREF="north.html">the northern ones</A> without a pier.',
    ),
    'north.html': ferryPage(
      'north.html',
      'The northern islands',
      '<P>A rowing boat comes out. <A HREF="contact.html">Write first</A>.',
    ),
    'contact.html': ferryPage(
      'contact.html',
      'Contact',
      '<P>Skerry Quay 1. <A HREF="mailto:quay@skerry.example">Write</A>',
    ),
    'list.pdf': '%PDF',
    'img/boat.gif': 'GIF89a',
  },
  mistakes: [
    {
      title: 'an entry is missing',
      file: 'fares.html',
      was: '<TD ALIGN=CENTER><A HREF="islands.html"><FONT COLOR="#FFFFFF">Islands</FONT></A></TD>\r\n',
      is: '',
      rule: 'menu-differs',
      told: '<TR BGCOLOR="#224466">',
    },
    {
      title: 'another order',
      file: 'north.html',
      was: '<TD ALIGN=CENTER><A HREF="times.html"><FONT COLOR="#FFFFFF">Times</FONT></A></TD>\r\n<TD ALIGN=CENTER><A HREF="fares.html"><FONT COLOR="#FFFFFF">Fares</FONT></A></TD>',
      is: '<TD ALIGN=CENTER><A HREF="fares.html"><FONT COLOR="#FFFFFF">Fares</FONT></A></TD>\r\n<TD ALIGN=CENTER><A HREF="times.html"><FONT COLOR="#FFFFFF">Times</FONT></A></TD>',
      rule: 'menu-differs',
    },
    {
      title: 'another label',
      file: 'contact.html',
      was: 'COLOR="#FFFFFF">Islands</FONT>',
      is: 'COLOR="#FFFFFF">The islands</FONT>',
      rule: 'menu-differs',
    },
    {
      title: 'another target',
      file: 'islands.html',
      was: '<A HREF="boats/index.html">',
      is: '<A HREF="boats/tern.html">',
      rule: 'menu-differs',
    },
    {
      title: 'an entry too many',
      file: 'times.html',
      was: '<FONT COLOR="#FFFFFF">Contact</FONT></A></TD>',
      is: '<FONT COLOR="#FFFFFF">Contact</FONT></A></TD>\r\n<TD ALIGN=CENTER><A HREF="north.html"><FONT COLOR="#FFFFFF">Up north</FONT></A></TD>',
      rule: 'menu-differs',
      told: 'Up north',
    },
    {
      title: 'a link from the wrong folder',
      file: 'boats/petrel.html',
      was: 'HREF="../fares.html"',
      is: 'HREF="fares.html"',
      rule: 'wrong-folder',
    },
    {
      title: 'a link out of the folder',
      file: 'index.html',
      was: 'HREF="contact.html"',
      is: 'HREF="../contact.html"',
      rule: 'wrong-folder',
    },
    {
      title: 'the wrong entry marked',
      file: 'boats/index.html',
      was: '<TD ALIGN=CENTER><FONT COLOR="#FFFFFF"><B>Boats</B></FONT></TD>\r\n<TD ALIGN=CENTER><A HREF="../islands.html"><FONT COLOR="#FFFFFF">Islands</FONT></A></TD>',
      is: '<TD ALIGN=CENTER><A HREF="index.html"><FONT COLOR="#FFFFFF">Boats</FONT></A></TD>\r\n<TD ALIGN=CENTER><FONT COLOR="#FFFFFF"><B>Islands</B></FONT></TD>',
      rule: 'wrong-current',
      told: '<B>Islands</B>',
    },
    {
      title: 'letter case in the menu',
      file: 'boats/tern.html',
      was: 'HREF="../times.html"',
      is: 'HREF="../Times.html"',
      rule: 'letter-case',
    },
    {
      title: 'an empty link in the menu',
      file: 'boats/tern.html',
      was: 'HREF="../fares.html"',
      is: 'HREF=""',
      rule: 'empty-link',
    },
    {
      title: 'a drive letter in the menu',
      file: 'boats/petrel.html',
      was: 'HREF="../contact.html"',
      is: 'HREF="C:\\WEB\\ferry\\contact.html"',
      rule: 'foreign-path',
    },
    {
      title: 'an absolute path of another project',
      file: 'fares.html',
      was: 'HREF="times.html"',
      is: 'HREF="/~anna/ferry/times.html"',
      rule: 'foreign-path',
    },
    {
      title: 'a dead link in the menu',
      file: 'times.html',
      was: 'HREF="islands.html"',
      is: 'HREF="island.html"',
      rule: 'dead-link',
    },
    {
      title: 'a forgotten #',
      file: 'times.html',
      was: 'HREF="#winter"',
      is: 'HREF="winter"',
      rule: 'missing-hash',
    },
    {
      title: 'a place that is not there',
      file: 'index.html',
      was: '#winter',
      is: '#summer',
      rule: 'dead-link',
    },
    {
      title: 'no title',
      file: 'boats/tern.html',
      was: '<TITLE>The Tern</TITLE>\r\n',
      is: '',
      rule: 'untitled',
      told: null,
    },
    {
      title: 'a title used twice',
      file: 'north.html',
      was: '<TITLE>The northern islands</TITLE>',
      is: '<TITLE>Contact</TITLE>',
      rule: 'same-title',
      told: null,
      tells: 'contact.html',
    },
  ],
};

// A small school: nested lists in folders three deep, with a class on the current entry, and a menu at the foot.
const school: OldSite = (() => {
  const entries: [string, string, [string, string][]][] = [
    ['index.html', 'Welcome', []],
    [
      'classes/index.html',
      'Classes',
      [
        ['classes/oak/index.html', 'Oak class'],
        ['classes/ash/index.html', 'Ash class'],
      ],
    ],
    [
      'parents/index.html',
      'Parents',
      [
        ['parents/dates.html', 'Dates'],
        ['parents/meals.html', 'Meals'],
      ],
    ],
    ['news/index.html', 'News', []],
    ['contact.html', 'Find us', []],
  ];
  const relative = (from: string, to: string): string => '../'.repeat(from.split('/').length - 1) + to;
  const item = (page: string, path: string, label: string, below: string): string =>
    `<li${page === path ? ' class="here"' : ''}><a href="${relative(path, page)}">${label}</a>${below}</li>`;
  const make = (path: string, title: string, body = ''): string => {
    const top = entries
      .map(([page, label, below]) => {
        const inner = below.map(([sub, name]) => `        ${item(sub, path, name, '')}\n`).join('');
        return `      ${item(page, path, label, inner === '' ? '' : `\n      <ul>\n${inner}      </ul>\n      `)}`;
      })
      .join('\n');
    const foot = [
      ['contact.html', 'Find us'],
      ['news/index.html', 'News'],
      ['legal/imprint.html', 'Imprint'],
    ]
      .map(([page, label]) => `<a href="${relative(path, page!)}">${label!}</a>`)
      .join(' | ');
    return `<!DOCTYPE html>
<html lang="en">
<head>
  <meta charset="utf-8">
  <title>${title} - Lantern Street School</title>
</head>
<body>
  <div id="top"><a href="${relative(path, 'index.html')}"><img src="${relative(path, 'lamp.png')}" alt="Lantern Street School"></a></div>
  <div id="nav">
    <ul class="menu">
${top}
    </ul>
  </div>
  <div id="text">
    <h1>${title}</h1>
    ${body}
  </div>
  <div id="foot">${foot}</div>
</body>
</html>
`;
  };
  const files: Record<string, string> = {
    'index.html': make('index.html', 'Welcome', '<p>Sixty children, two classes, one lantern.</p>'),
    'classes/index.html': make('classes/index.html', 'Classes', '<p>Two of them.</p>'),
    'classes/oak/index.html': make(
      'classes/oak/index.html',
      'Oak class',
      '<p>The little ones. <a href="trips/forest.html">To the forest</a></p>',
    ),
    'classes/oak/trips/forest.html': make(
      'classes/oak/trips/forest.html',
      'To the forest',
      '<p id="bring">Bring boots.</p> <p><a href="#bring">What to bring</a></p>',
    ),
    'classes/ash/index.html': make('classes/ash/index.html', 'Ash class', '<p>The big ones.</p>'),
    'parents/index.html': make('parents/index.html', 'Parents', '<p>All you need.</p>'),
    'parents/dates.html': make('parents/dates.html', 'Dates', '<p id="terms">Terms</p>'),
    'parents/meals.html': make(
      'parents/meals.html',
      'Meals',
      '<p>Soup on <a href="dates.html#terms">all days of a term</a>.</p>',
    ),
    'news/index.html': make(
      'news/index.html',
      'News',
      '<p><a href="2009/lantern.html">The new lantern</a></p>',
    ),
    'news/2009/lantern.html': make('news/2009/lantern.html', 'The new lantern', '<p>It shines.</p>'),
    'contact.html': make('contact.html', 'Find us', '<p>Lantern Street 4.</p>'),
    'legal/imprint.html': make('legal/imprint.html', 'Imprint', '<p>The head teacher.</p>'),
    'lamp.png': 'x',
  };
  const imprint = 'legal/imprint.html';
  return {
    name: 'nested lists three deep',
    from: '#nav',
    files,
    mistakes: [
      {
        title: 'no menu at all',
        file: imprint,
        was: / {2}<div id="nav">[^]*?<\/ul>\n {2}<\/div>\n/.exec(files[imprint]!)![0],
        is: '',
        rule: 'menu-missing',
        told: null,
      },
      {
        title: 'an entry below is missing',
        file: 'contact.html',
        was: '        <li><a href="parents/meals.html">Meals</a></li>\n',
        is: '',
        rule: 'menu-differs',
        told: '<div id="nav">',
      },
      {
        title: 'another order below',
        file: 'index.html',
        was: '        <li><a href="classes/oak/index.html">Oak class</a></li>\n        <li><a href="classes/ash/index.html">Ash class</a></li>',
        is: '        <li><a href="classes/ash/index.html">Ash class</a></li>\n        <li><a href="classes/oak/index.html">Oak class</a></li>',
        rule: 'menu-differs',
      },
      {
        title: 'another label below',
        file: 'news/index.html',
        was: '>Oak class<',
        is: '>Oaks<',
        rule: 'menu-differs',
      },
      {
        title: 'another target',
        file: 'parents/index.html',
        was: '<li><a href="../news/index.html">',
        is: '<li><a href="../news/2009/lantern.html">',
        rule: 'menu-differs',
      },
      {
        title: 'an entry too many',
        file: 'parents/dates.html',
        was: '      <li><a href="../contact.html">Find us</a></li>',
        is: '      <li><a href="../contact.html">Find us</a></li>\n      <li><a href="../legal/imprint.html">Legal things</a></li>',
        rule: 'menu-differs',
        told: 'Legal things',
      },
      {
        title: 'a link from the folder above',
        file: 'classes/oak/index.html',
        was: '<li><a href="../../contact.html">',
        is: '<li><a href="../contact.html">',
        rule: 'wrong-folder',
      },
      {
        title: 'a link from the root',
        file: 'classes/oak/trips/forest.html',
        was: '<li><a href="../../../parents/dates.html">',
        is: '<li><a href="parents/dates.html">',
        rule: 'wrong-folder',
      },
      {
        title: 'the wrong entry marked',
        file: 'parents/meals.html',
        was: '<li><a href="../parents/dates.html">Dates</a></li>\n        <li class="here"><a',
        is: '<li class="here"><a href="../parents/dates.html">Dates</a></li>\n        <li><a',
        rule: 'wrong-current',
        told: '<li class="here"><a href="../parents/dates.html">',
      },
      {
        title: 'letter case',
        file: 'classes/ash/index.html',
        was: '<a href="../../parents/meals.html">',
        is: '<a href="../../Parents/meals.html">',
        rule: 'letter-case',
      },
      {
        title: 'an empty link',
        file: 'news/2009/lantern.html',
        was: '<li><a href="../../classes/oak/index.html">',
        is: '<li><a href="#">',
        rule: 'empty-link',
      },
      {
        title: 'a drive letter',
        file: 'classes/index.html',
        was: '<li><a href="../parents/dates.html">',
        is: '<li><a href="D:/school/parents/dates.html">',
        rule: 'foreign-path',
      },
      {
        title: 'a file: address',
        file: 'classes/ash/index.html',
        was: '<li><a href="../../news/index.html">',
        is: '<li><a href="file:///E:/school/news/index.html">',
        rule: 'foreign-path',
      },
      {
        title: 'a dead link',
        file: 'contact.html',
        was: '<li><a href="parents/dates.html">',
        is: '<li><a href="parents/date.html">',
        rule: 'dead-link',
      },
      {
        title: 'an unclosed list',
        file: 'news/2009/lantern.html',
        was: '        <li><a href="../../parents/meals.html">Meals</a></li>\n      </ul>',
        is: '        <li><a href="../../parents/meals.html">Meals</a></li>',
        rule: 'unclosed-list',
        told: '<ul>\n        <li><a href="../../parents/dates.html">',
      },
      {
        title: 'an order at the foot',
        file: 'classes/index.html',
        was: '<a href="../contact.html">Find us</a> | <a href="../news/index.html">News</a>',
        is: '<a href="../news/index.html">News</a> | <a href="../contact.html">Find us</a>',
        rule: 'menu-differs',
      },
      {
        title: 'an id used twice',
        file: 'parents/dates.html',
        was: '<p id="terms">Terms</p>',
        is: '<p id="terms">Terms</p>\n    <p id="terms">More</p>',
        rule: 'same-id',
        told: 'More',
      },
      {
        title: 'a forgotten #',
        file: 'classes/oak/trips/forest.html',
        was: '<a href="#bring">',
        is: '<a href="bring">',
        rule: 'missing-hash',
      },
    ],
  };
})();

// One long page with a menu to its sections, and another at its foot.
const potter: OldSite = {
  name: 'a single page with sections',
  from: 'ul.links',
  files: {
    'index.html': `<!DOCTYPE html>
<html>
<head>
<meta charset="utf-8">
<title>Ida Fenn, potter</title>
</head>
<body>
<h1>Ida Fenn, potter</h1>
<ul class="links">
<li><a href="#bowls">Bowls</a>
<li><a href="#cups">Cups</a>
<li><a href="#glazes">Glazes</a>
  <ul>
  <li><a href="#ash">Ash</a>
  <li><a href="#salt">Salt</a>
  <li><a href="#iron">Iron</a>
  </ul>
<li><a href="#kiln">The kiln</a>
<li><a href="#courses">Courses</a>
<li><a href="prices.pdf">Prices</a>
<li><a href="#way">The way here</a>
</ul>
<h2 id="bowls">Bowls</h2><p>Round ones.</p>
<h2 id="cups">Cups</h2><p>With and without a handle.</p>
<h2 id="glazes">Glazes</h2><p>Three.</p>
<h3 id="ash">Ash</h3><p>Grey.</p>
<h3 id="salt">Salt</h3><p>White.</p>
<h3 id="iron">Iron</h3><p>Brown.</p>
<h2 id="kiln">The kiln</h2><p>Built by hand.</p>
<h2 id="courses">Courses</h2><p>In June.</p>
<h2 id="way">The way here</h2><p>By the mill.</p>
<p class="foot"><a href="#bowls">Up to the bowls</a> &middot; <a href="#courses">Take a course</a> &middot; <a href="#kiln">See the kiln</a> &middot; <a href="#way">Come here</a></p>
</body>
</html>
`,
    'prices.pdf': '%PDF',
  },
  mistakes: [
    {
      title: 'a forgotten #',
      file: 'index.html',
      was: '<li><a href="#cups">',
      is: '<li><a href="cups">',
      rule: 'missing-hash',
    },
    {
      title: 'a forgotten # below',
      file: 'index.html',
      was: '<li><a href="#salt">',
      is: '<li><a href="salt">',
      rule: 'missing-hash',
    },
    {
      title: 'a forgotten # at the foot',
      file: 'index.html',
      was: '<a href="#kiln">See',
      is: '<a href="kiln">See',
      rule: 'missing-hash',
    },
    {
      title: 'a section that is not there',
      file: 'index.html',
      was: '<li><a href="#way">',
      is: '<li><a href="#waay">',
      rule: 'dead-link',
    },
    {
      title: 'a section in another letter case',
      file: 'index.html',
      was: '<li><a href="#ash">',
      is: '<li><a href="#Ash">',
      rule: 'dead-link',
    },
    {
      title: 'an empty address',
      file: 'index.html',
      was: '<li><a href="#iron">',
      is: '<li><a href="">',
      rule: 'empty-link',
    },
    {
      title: 'a # alone',
      file: 'index.html',
      was: '<li><a href="#glazes">',
      is: '<li><a href="#">',
      rule: 'empty-link',
    },
    {
      title: 'letter case of a file',
      file: 'index.html',
      was: 'href="prices.pdf"',
      is: 'href="Prices.pdf"',
      rule: 'letter-case',
    },
    {
      title: 'a drive letter',
      file: 'index.html',
      was: '<li><a href="#kiln">',
      is: '<li><a href="C:/pots/index.html#kiln">',
      rule: 'foreign-path',
    },
    {
      title: 'a file: address',
      file: 'index.html',
      was: '<li><a href="#courses">',
      is: '<li><a href="file:///pots/index.html#courses">',
      rule: 'foreign-path',
    },
    {
      title: 'a folder above',
      file: 'index.html',
      was: '<a href="#way">Come',
      is: '<a href="../potter/index.html#way">Come',
      rule: 'foreign-path',
    },
    {
      title: 'a page that is not there',
      file: 'index.html',
      was: '<a href="#bowls">Up',
      is: '<a href="bowls.html">Up',
      rule: 'dead-link',
    },
    {
      title: 'an id used twice',
      file: 'index.html',
      was: '<p>Round ones.</p>',
      is: '<p id="salt">Round ones.</p>',
      told: '<h3 id="salt">',
      rule: 'same-id',
    },
    {
      title: 'an unclosed list',
      file: 'index.html',
      was: 'Iron</a>\n  </ul>',
      is: 'Iron</a>',
      rule: 'unclosed-list',
      told: '<ul class="links">',
    },
    {
      title: 'no title',
      file: 'index.html',
      was: '<title>Ida Fenn, potter</title>\n',
      is: '',
      rule: 'untitled',
      told: null,
    },
  ],
};

export const oldSites: readonly OldSite[] = [ferry, school, potter];
