import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import ts from "typescript";
import { expect, test } from "vitest";
import british from "./en-GB.json";

const sources = readdirSync("src", { recursive: true, encoding: "utf8" })
  .filter((path) => /\.tsx?$/.test(path) && !/\.test\.ts$|schema\.d\.ts$|^wording/.test(path))
  .map((path) => ts.createSourceFile(path, readFileSync(join("src", path), "utf8"), ts.ScriptTarget.Latest, true));

/** Every node of every source for which there is something to say. */
function found(say: (node: ts.Node) => string | null): string[] {
  const all: string[] = [];
  const visit = (file: ts.SourceFile) => (node: ts.Node) => {
    const what = say(node);
    if (what !== null)
      all.push(`${file.fileName}:${file.getLineAndCharacterOfPosition(node.getStart()).line + 1}: ${what}`);
    ts.forEachChild(node, visit(file));
  };
  sources.forEach((file) => ts.forEachChild(file, visit(file)));
  return all;
}

const hasWord = (text: string) => /\p{L}{2}/u.test(text);
const isCall = (node: ts.Node, name: string): node is ts.CallExpression =>
  ts.isCallExpression(node) && node.expression.getText() === name;
const attributeOf = (node: ts.Node) =>
  ts.findAncestor(node, (n): n is ts.JsxAttribute => ts.isJsxAttribute(n))?.name.getText();

/** Attributes whose words are read, if it is but one of them. */
const read =
  /^(label|aria-label|aria-valuetext|aria-roledescription|title|alt|placeholder|says|hint|act|what|text|nameLabel|gone)$/;
const isRead = (attribute: ts.JsxAttribute) =>
  read.test(attribute.name.getText()) ||
  (attribute.name.getText() === "name" && /^[A-Z]/.test(attribute.parent.parent.tagName.getText()));
/** Those that hold styles, drawing and codes. */
const unread =
  /^(className|d|transform|style|to|href|key|anchor|strokeDasharray|viewBox|points|preserveAspectRatio|accept)$/;
const names = new Set(["Kondiba", "N"]);

test("what is read on a page comes from the catalogue", () => {
  const literals = found((node) => {
    if (ts.isJsxText(node)) return hasWord(node.text) && !names.has(node.text.trim()) ? node.text.trim() : null;
    if (!ts.isStringLiteral(node) && !ts.isNoSubstitutionTemplateLiteral(node) && !ts.isTemplateHead(node)) return null;
    if (ts.isImportDeclaration(node.parent) || ts.findAncestor(node, (n) => isCall(n, "console.error"))) return null;
    if (ts.isLiteralTypeNode(node.parent) || (ts.isPropertyAssignment(node.parent) && node.parent.name === node))
      return null;
    if (ts.isJsxAttribute(node.parent) && isRead(node.parent)) return hasWord(node.text) ? node.text : null;
    if (unread.test(attributeOf(node) ?? "") || ts.isBinaryExpression(node.parent)) return null;
    if (ts.isPropertyAssignment(node.parent) && node.parent.name.getText() === "value") return null;
    if (ts.isPropertyAssignment(node.parent) && /^(label|hint|says|title|act|name)$/.test(node.parent.name.getText()))
      return hasWord(node.text) ? node.text : null;
    const words = node.text.trim().split(/\s+/);
    const isSentence =
      words.length > 1 &&
      words.some((word) => word.length > 2) &&
      words.every((word) => /^[“(]?[\p{L}’'.]{2,}[,.:;?!…”)]*$/u.test(word));
    const isName = /^[A-Z][a-z]+$/.test(node.text) && !names.has(node.text);
    return isSentence || isName ? node.text : null;
  });

  expect(literals).toEqual([]);
});

test("a sentence is put together with what it has holes for", () => {
  const wrong = found((node) => {
    if (!isCall(node, "say")) return null;
    const [code, put] = node.arguments;
    if (!code || !ts.isStringLiteral(code)) return null;
    const holes = new Set(british[code.text as keyof typeof british].match(/(?<=\{)\w+/g));
    const given = put && ts.isObjectLiteralExpression(put) ? put.properties.map((p) => p.name?.getText() ?? "") : [];
    const differs = [...holes].filter((h) => !given.includes(h)).concat(given.filter((g) => !holes.has(g)));
    return differs.length > 0 ? `${code.text}: ${differs.join(", ")}` : null;
  });

  expect(wrong).toEqual([]);
});

test("every sentence is said somewhere", () => {
  const written = sources.map((file) => file.text).join("\n");

  expect(Object.keys(british).filter((code) => !written.includes(`"${code}"`))).toEqual([]);
});

/** What makers stumbled over, and what is said instead; a word by itself only where it is all that is said. */
const stumbled = {
  within: [
    /in time\.$|do not go together|opens nothing|Take 10 characters|[Nn]ever mind|said at its field|cannot be kept/,
    /nothing at this address|make it again|[Ss]ingle keys act|stands on these days|the fortnight|taken off the shelf/,
    /less than apart|Make the offer|Waiting for a yes|for whom|telephone or mail|collected at|brought to|allergy to respect/,
    /must not hold|its own design|no look$|a scheme of colours|[Hh]ardly seen on one another|packed in …/,
    /whichever wants least|as usual here|as it comes|kept plain|in \d* ?melts|[Hh]ave at hand|pool, comes back/,
    /melted apart|stays unmelted|it would stay soft|put right what|server is away|[Tt]ake that one|[Kk]eep this one/,
    /[Nn]o piece is named|less than nothing|does not carry itself|comes out sheer|goes out than comes in|your hour brings/,
    /one costs|one fetches|gas and current|[Tt]he dearest piece|what is dipped, and what|that go wrong, each/,
    /the link shows nothing|[Tt]old once|of which ahead|must be named|packets’ labels decide|holds the day/,
    /to be done when stands here|hands rest|[Nn]obody’s hands|is collected|plan anew|[Oo]n paper, in the calendar/,
    /cannot be later|of hands are missing|what the kitchen usually does|stalk out|goes in as a habit|Held over the pot/,
    /Long lines of drizzle|[Ww]hat is left empty|go up in steps|[Mm]ake it anew|wants tempering|Drop this pack/,
    /the trade has it|in vain|Several are|hands work|Further ones|share of the tables|wanted at home|Running low below/,
    /choose themselves|empty it into|[Tt]ake in a file|worn in|order of the hands|Comes to|look twice|this pot, set/,
    /[Tt]ake it in$|would change nothing|No order holds|told only now|hot-flow school|cool school/,
  ],
  alone:
    /^(asked|agreed|handed over|Keep|by key|Start it|Come in|Mind|ask|together|hands|again|take|Glue on|Wanted|Apart|no look|They help)$/,
};

/** Every text in a JSON document. */
function textsOf(value: unknown): string[] {
  if (typeof value === "string") return [value];
  return typeof value === "object" && value !== null ? Object.values(value).flatMap(textsOf) : [];
}

test("none of what makers stumbled over is said any more, by the page or by the server", () => {
  const core = "../Kondiba.Core";
  const files = [
    "src/wording/en-GB.json",
    `${core}/Wording/en-GB.json`,
    ...["coatings", "practice", "prep", "schools", "patterns", "parts", "lustres", "keeping"].map(
      (name) => `${core}/Reference/${name}.json`,
    ),
  ];
  const said = files.flatMap((file) => textsOf(JSON.parse(readFileSync(file, "utf8"))));

  expect(said.filter((text) => stumbled.alone.test(text) || stumbled.within.some((p) => p.test(text)))).toEqual([]);
});
