import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { useParams } from "wouter";
import { answer, api } from "../../api/client";
import { Drip } from "../../ui/Drip";
import { Waiting } from "../../ui/notes";
import { AllergenWords, Contents, keptOf, piecesOf } from "./LabelText";
import { capital, say } from "../../wording/say";

/** What is in a package, for whoever reads the code on its label. */
export function IngredientsPage() {
  const { page = "" } = useParams();
  const found = useQuery({
    queryKey: ["ingredients", page],
    queryFn: () => answer(api.GET("/api/ingredients/{id}", { params: { path: { id: page } } })),
    retry: false,
  });
  useEffect(() => {
    document.title = found.data ? say("packing.ingredients-2", { kitchen: found.data.kitchen }) : say("ui.ingredients");
  }, [found.data]);
  if (found.isPending) return <Waiting />;
  return (
    <>
      <Drip tall />
      <main className="mx-auto max-w-2xl px-4 py-8 sm:px-10">
        {found.isError ? (
          <p className="text-lg">{say("packing.not-found-ask-whoever-gave")}</p>
        ) : (
          <>
            <p className="font-serif text-2xl">{found.data.kitchen}</p>
            <h1 className="mt-4 font-serif text-4xl">{say("packing.what")}</h1>
            {found.data.labels.map((label) => (
              <section key={piecesOf(label)} aria-label={piecesOf(label)} className="mt-6">
                <h2 className="text-lg font-bold">{capital(piecesOf(label))}</h2>
                <p className="mt-1">
                  <Contents label={label} />.
                </p>
                <p className="mt-1">
                  <AllergenWords label={label} />
                </p>
                <p className="mt-1">{keptOf(label)}</p>
                {label.storage.map((s) => (
                  <p key={s.how}>{s.how}</p>
                ))}
                <p className="text-ink2 text-[15px]">{say("packing.batch", { lot: label.lot })}</p>
              </section>
            ))}
            {found.data.notice && <p className="mt-6 whitespace-pre-line">{found.data.notice}</p>}
            {found.data.maker && <p className="text-ink2 mt-4 whitespace-pre-line">{found.data.maker}</p>}
          </>
        )}
      </main>
    </>
  );
}
