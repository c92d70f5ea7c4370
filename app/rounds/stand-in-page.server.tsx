import { renderToStaticMarkup } from "react-dom/server";
import { sayDay, weekdayName } from "#core/calendar/day";
import { STAND_IN_FILE } from "#formats/stand-in-file";
import { photoBytes } from "../server/photos.server";
import { CropGlyph } from "../ui/crop-glyph";
import type { StandInView } from "./stand-in.server";

/** How the sheet ends: sent to the garden by its link, or made into a file where there is no server. */
export type StandInEnding =
  | { kind: "link"; nonce: string; typed: Record<string, string>; faults: Record<string, string>; said: string }
  | { kind: "file" };

const STYLE = `
:root{--ak-colors-ink:#28312a}
body{margin:0;background:#f7f2e6;color:#28312a;font:18px/1.5 Georgia,serif}
main{width:min(44rem,92vw);margin:0 auto;padding:1.2rem 0 5rem}
h1{font-size:1.9rem;line-height:1.15;margin:.6rem 0}h2{font-size:1.35rem;margin:2.2rem 0 .4rem;border-bottom:1px solid #d9cfb8;padding-bottom:.3rem}
article{display:grid;grid-template-columns:72px 1fr;gap:.4rem 1rem;padding:1rem 0;border-bottom:1px solid #e7dfcc}
article h3{margin:0;font-size:1.15rem}article p{margin:.2rem 0}article svg{max-width:100%;overflow:hidden!important}.soft{color:#5b6358}
img.plant{width:72px;height:72px;object-fit:cover;border-radius:2px 10px 2px 10px}
.got{grid-column:1/-1;display:grid;grid-template-columns:1fr 1.4fr;gap:.6rem}
label{font-weight:bold;font-size:.95rem}input{width:100%;box-sizing:border-box;min-height:52px;font:inherit;padding:0 .7rem;border:1.5px solid #28312a;border-radius:2px 10px 2px 10px;background:#fcf9f2;font-weight:normal}
button{width:100%;min-height:58px;margin-top:1.4rem;font:bold 1.1rem Georgia,serif;background:#2d5a3d;color:#fff;border:0;border-radius:2px 10px 2px 10px}
.care{border-left:4px solid #7d2f2a;background:#f6e7e0;padding:.7rem 1rem;margin:1.4rem 0}.care li{margin:.3rem 0}.care .grave{font-weight:bold}
[role=alert]{color:#7d2f2a;font-weight:bold;margin:.2rem 0}[role=status]:empty{display:none}[role=status]{background:#28312a;color:#f7f2e6;padding:.8rem 1rem;border-radius:2px 10px 2px 10px}
:focus-visible{outline:3px solid #b3541e;outline-offset:2px}
@media(max-width:30rem){.got{grid-template-columns:1fr}}
@media print{button,.got{display:none}}`;

/** Makes the file out of what stands in the boxes, and keeps them while the sheet is closed, where the browser does. */
const SCRIPT = `
const boxes=[...document.querySelectorAll("input")],key="akmedon "+document.body.dataset.trip;
let before={};try{before=JSON.parse(localStorage.getItem(key)||"{}")}catch{}
for(const b of boxes){if(before[b.name])b.value=before[b.name];
b.addEventListener("input",()=>{try{localStorage.setItem(key,JSON.stringify(Object.fromEntries(boxes.map(x=>[x.name,x.value]))))}catch{}})}
document.querySelector("form").addEventListener("submit",(e)=>{e.preventDefault();
const d=new Date(),two=(n)=>String(n).padStart(2,"0");
const at=d.getFullYear()+"-"+two(d.getMonth()+1)+"-"+two(d.getDate())+"T"+two(d.getHours())+":"+two(d.getMinutes());
const entries=[...document.querySelectorAll("article")].flatMap((a)=>{const v=(n)=>a.querySelector('[name="'+n+a.dataset.line+'"]').value.trim();
return v("got-")?[{id:a.dataset.line,plantingId:a.dataset.planting,roundId:a.dataset.round,at,amount:v("got-").slice(0,60),note:v("note-").slice(0,500)}]:[]});
if(!entries.length){document.querySelector("#said").textContent="Nothing is written down yet.";return}
const file=new Blob([JSON.stringify({format:"${STAND_IN_FILE}",tripId:document.body.dataset.trip,entries})],{type:"application/json"});
const link=document.createElement("a");link.href=URL.createObjectURL(file);link.download="picked-"+at.slice(0,10)+".json";link.click();
document.querySelector("#said").textContent="The file is in your downloads. Give it to the household."});`;

function Picture({
  glyph,
  photo,
}: {
  glyph: StandInView["rounds"][number]["lines"][number]["glyph"];
  photo: string | null;
}) {
  const bytes = photo ? photoBytes(photo) : null;
  return bytes ? (
    <img className="plant" alt="" src={`data:image/jpeg;base64,${bytes.toString("base64")}`} />
  ) : (
    <CropGlyph kind={glyph} stage={1.2} size={72} />
  );
}

function Sheet({ view, ending }: { view: StandInView; ending: StandInEnding }) {
  const link = ending.kind === "link" ? ending : null;
  return (
    <main>
      <h1>For {view.who}</h1>
      <p>
        {view.gardenName}, {sayDay(view.trip.fromDay)} to {sayDay(view.trip.toDay)}. Take home what you pick, and thank
        you.
      </p>
      {link?.said && <p role="status">{link.said}</p>}
      {view.rounds.length === 0 && <p>Nothing has to be picked meanwhile.</p>}
      <form method="post">
        {view.rounds.map((r) => (
          <section key={r.id}>
            <h2>
              {weekdayName(r.day)} {Number(r.day.slice(8))}, from {r.startsAt}
            </h2>
            {r.lines.map((l) => (
              <article key={l.id} data-line={l.id} data-planting={l.plantingId} data-round={r.id}>
                <Picture glyph={l.glyph} photo={l.photo} />
                <div>
                  <h3>{l.kind}</h3>
                  <p className="soft">
                    {l.bed} · about {l.expected}
                  </p>
                  <p>
                    <strong>{l.all ? "Take everything, green ones too." : "Take only what is ready."}</strong> {l.how}{" "}
                    Leave {l.leave}. {l.atOnce}
                  </p>
                </div>
                <div className="got">
                  <label>
                    What you got
                    <input
                      name={`got-${l.id}`}
                      placeholder="a weight, or how many"
                      maxLength={60}
                      autoComplete="off"
                      defaultValue={link ? (link.typed[`got-${l.id}`] ?? l.got) : ""}
                      aria-invalid={link?.faults[l.id] ? true : undefined}
                    />
                    {link?.faults[l.id] && <span role="alert">{link.faults[l.id]}</span>}
                  </label>
                  <label>
                    Anything to tell
                    <input name={`note-${l.id}`} maxLength={500} defaultValue={link?.typed[`note-${l.id}`] ?? ""} />
                  </label>
                </div>
              </article>
            ))}
          </section>
        ))}
        {view.cautions.length > 0 && (
          <section className="care" aria-label="Take care">
            <strong>Take care</strong>
            <ul>
              {view.cautions.map((c) => (
                <li key={c.id} className={c.level === 1 ? "grave" : undefined}>
                  {c.crops && c.crops.length > 0 ? `${c.crops.join(", ")}: ` : ""}
                  {c.say}
                </li>
              ))}
            </ul>
          </section>
        )}
        <p>
          At the first thunder go in, and come out half an hour after the last. Take no risks with blades or lifting.
        </p>
        <h2>Leave these alone</h2>
        <p>{view.left.map((l) => `${l.kind} in ${l.bed}`).join("; ") || "Everything is on the list."}</p>
        {view.rounds.length > 0 && <button type="submit">{link ? "Send what I got" : "Make the file"}</button>}
        {!link && <p id="said" role="status" />}
      </form>
    </main>
  );
}

/**
 * A stand-in's sheet as one document that needs nothing else: no script by its link, no server as a file. Pictures,
 * words and boxes are all in it.
 */
export function standInDocument(view: StandInView, ending: StandInEnding): string {
  const nonce = ending.kind === "link" ? ` nonce="${ending.nonce}"` : "";
  const body = renderToStaticMarkup(<Sheet view={view} ending={ending} />);
  const trip = view.trip.id.replace(/[^\w-]/g, "");
  return (
    `<!doctype html>\n<html lang="en"><head><meta charset="utf-8">` +
    `<meta name="viewport" content="width=device-width, initial-scale=1"><meta name="robots" content="noindex">` +
    `<title>${ending.kind === "link" ? "Picking for the neighbours" : "Stand-in’s sheet"}</title><style${nonce}>${STYLE}</style></head>` +
    `<body data-trip="${trip}">${body}${ending.kind === "file" ? `<script>${SCRIPT}</script>` : ""}</body></html>`
  );
}
