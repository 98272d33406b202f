import { readFileSync } from 'node:fs';
import { parse } from '@vue/compiler-sfc';
import { baseParse, NodeTypes, type TemplateChildNode } from '@vue/compiler-dom';
import ts from 'typescript';

/** A text that somebody reads, and where it is written. */
export interface ScreenText {
  readonly file: string;
  readonly text: string;
}

/** Attributes whose text is read or heard. */
const READ =
  /^(?:label|title|aria-label|placeholder|alt|caption|says|hint|text|suffix|no-data-text|corner|what|removal)$/;

/** What of a program's strings is no text for people: names of rooms, classes, events, files, tokens of one word in camel case. */
const isText = (text: string): boolean =>
  /[a-z]/i.test(text) && (/\s/.test(text) || /^[A-Z][a-z’'-]+$/.test(text)) && !/^[.#@/]|^\s*[MLHVAZ]\d/.test(text);

function stringsOf(code: string, isKept: (node: ts.Node) => boolean = () => true): string[] {
  const found: string[] = [];
  const source = ts.createSourceFile('one.ts', code, ts.ScriptTarget.Latest, true);
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isTypeNode(node)) return;
    if (ts.isStringLiteralLike(node) && isKept(node)) found.push(node.text);
    if (ts.isTemplateHead(node) || ts.isTemplateMiddle(node) || ts.isTemplateTail(node)) found.push(node.text);
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

function templateTexts(template: string): string[] {
  const found: string[] = [];
  const visit = (node: TemplateChildNode): void => {
    if (node.type === NodeTypes.TEXT) found.push(node.content);
    if (node.type === NodeTypes.INTERPOLATION && node.content.type === NodeTypes.SIMPLE_EXPRESSION)
      found.push(...stringsOf(`(${node.content.content})`));
    if (node.type !== NodeTypes.ELEMENT) return;
    for (const prop of node.props) {
      if (prop.type === NodeTypes.ATTRIBUTE && READ.test(prop.name) && prop.value) found.push(prop.value.content);
      if (
        prop.type === NodeTypes.DIRECTIVE &&
        prop.name === 'bind' &&
        prop.arg?.type === NodeTypes.SIMPLE_EXPRESSION &&
        READ.test(prop.arg.content) &&
        prop.exp?.type === NodeTypes.SIMPLE_EXPRESSION
      )
        found.push(...stringsOf(`(${prop.exp.content})`));
    }
    node.children.forEach(visit);
  };
  baseParse(template).children.forEach(visit);
  return found;
}

/** Every text for people in a view or a module. */
export function screenTexts(file: string): ScreenText[] {
  const content = readFileSync(file, 'utf8');
  const texts = file.endsWith('.vue') ? viewTexts(content) : stringsOf(content).filter(isText);
  return texts.map((text) => ({ file, text: text.replace(/\s+/g, ' ').trim() })).filter(({ text }) => text !== '');
}

function viewTexts(content: string): string[] {
  const { descriptor } = parse(content);
  const script = descriptor.scriptSetup ?? descriptor.script;
  return [
    ...(descriptor.template ? templateTexts(descriptor.template.content) : []),
    ...(script ? stringsOf(script.content).filter(isText) : []),
  ];
}
