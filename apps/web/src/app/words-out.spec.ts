import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseTemplate } from '@angular/compiler';
import * as ts from 'typescript';

/**
 * Terms that are out of what is shown (docs/glossary.md has what each thing is called): looked for in the texts of every template, and in
 * every sentence that the code of the interface, the sheet and the core composes.
 */
const out: readonly (readonly [RegExp, string])[] = [
  [/\bstrands?\b/i, 'goal'],
  [/\brungs?\b/i, 'step'],
  [/\bguard rails?\b/i, 'limits'],
  [/\breckon/i, 'calculate'],
  [/\bof late\b/i, 'in the last weeks'],
  [/\bhouse values?\b/i, 'our own value'],
  [/\bhall light\b/i, 'dark'],
  [/\bleast reserve\b/i, 'strength left'],
  [/\bseasons in (ten|10)\b/i, 'of 10 would reach it'],
  [/\b(do|make|begin|start) (it )?anew\b/i, 'start over'],
  [/\bdo again\b/i, 'redo'],
  [/\bKeep so\b/, 'Ignore'],
  [/\bDrop it$/, 'Discard'],
  [/^Take (it|them) (out|in|back)$/, 'Remove, Read in, Undo'],
  [/\b(was|is|are|not|be) kept (here|yet)\b/i, 'saved'],
  [/\bknown already\b/i, 'already here'],
  [/\bnever yet\b/i, 'not … yet'],
  [/\bdrills?\b/i, 'exercise'],
  [/\bbefore the (hips|toes|camera)\b/i, 'in front of'],
];

/** What an attribute shows or says. */
const shown = /^(label|title|aria-label|ariaLabel|placeholder|heading|text|alt|unit|about|emptyMessage|summary)$/;

const filesIn = (folder: string, ending: RegExp): string[] =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => ending.test(name) && !/\.(spec|test|tmp)\.ts$|\.d\.ts$/.test(name))
    .map((name) => join(folder, name));

/** Everything that a template shows as text of its own: text, shown attributes, and what its expressions compose. */
function textsOfTemplate(template: string, name: string): string[] {
  const { nodes, errors } = parseTemplate(template, name);
  if (errors !== null && errors.length > 0) throw new Error(`${name}: ${errors[0]!.msg}`);
  const texts: string[] = [];
  const seen = new Set<unknown>();
  const walk = (at: unknown, of = ''): void => {
    if (typeof at !== 'object' || at === null || seen.has(at)) return;
    seen.add(at);
    const node = at as Record<string, unknown>;
    const kind = at.constructor.name.replace(/\$\d+$/, '');
    if (kind === 'Text') texts.push(String(node['value']));
    if (kind === 'TextAttribute' && shown.test(String(node['name']))) texts.push(String(node['value']));
    if (kind === 'Interpolation') texts.push(...(node['strings'] as string[]));
    // A value that is compared or passed on is no text; a sentence has a space in it.
    if (kind === 'LiteralPrimitive' && typeof node['value'] === 'string' && node['value'].trim().includes(' '))
      texts.push(node['value']);
    for (const [key, value] of Object.entries(node)) {
      if (/span|source$|location|parent/i.test(key)) continue;
      if (Array.isArray(value)) value.forEach((one) => walk(one, key));
      else walk(value, of);
    }
  };
  nodes.forEach((node) => walk(node));
  return texts;
}

/** The sentences that code composes, and the templates written into it. */
function textsOfCode(code: string, name: string): string[] {
  const file = ts.createSourceFile(name, code, ts.ScriptTarget.Latest, true);
  const texts: string[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isThrowStatement(node)) return;
    if (ts.isPropertyAssignment(node) && /^(styles|host|selector|path|templateUrl)$/.test(node.name.getText())) return;
    if (
      ts.isPropertyAssignment(node) &&
      node.name.getText() === 'template' &&
      ts.isNoSubstitutionTemplateLiteral(node.initializer)
    ) {
      texts.push(...textsOfTemplate(node.initializer.text, name));
      return;
    }
    if (ts.isStringLiteralLike(node) || ts.isTemplateHead(node) || ts.isTemplateMiddleOrTemplateTail(node)) {
      if (node.text.trim().includes(' ')) texts.push(node.text);
    }
    ts.forEachChild(node, visit);
  };
  visit(file);
  return texts;
}

const root = join(__dirname, '../../../..');
const places = ['apps/web/src/app', 'apps/sheet/src', 'packages/core/src'];

test('the texts of a template are found: text, attributes that show, expressions that compose; names in the code are not', () => {
  const template = `<p title="A rung">The strand {{ goal() ? 'of late here' : name }}</p>
    @if (strand()) { <pk-strand [strand]="strand()" label="Drop it" /> } @else { <b [class.rung]="x === 'rung'">kept</b> }`;
  expect(
    textsOfTemplate(template, 'it.html')
      .map((text) => text.trim())
      .filter((text) => text !== ''),
  ).toEqual(expect.arrayContaining(['A rung', 'The strand', 'of late here', 'Drop it', 'kept']));
  expect(textsOfTemplate('<pk-strand [strand]="strand()" class="rung" />', 'it.html')).toEqual([]);
  expect(textsOfCode("const strand = { a: 'the strand here', b: 'rung' }; // rung of late", 'it.ts')).toEqual([
    'the strand here',
  ]);
});

test.each(places)('no term that is out is shown: %s', (place) => {
  const found = filesIn(join(root, place), /\.(ts|html)$/).flatMap((file) => {
    const content = readFileSync(file, 'utf8');
    const texts = file.endsWith('.html') ? textsOfTemplate(content, file) : textsOfCode(content, file);
    return texts.flatMap((text) =>
      out.flatMap(([term, better]) =>
        term.test(text.trim())
          ? [`${file.slice(root.length + 1)}: “${text.trim().replace(/\s+/g, ' ').slice(0, 100)}” → ${better}`]
          : [],
      ),
    );
  });
  expect(found).toEqual([]);
});
