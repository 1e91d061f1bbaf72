import { useMutation, useQueryClient } from "@tanstack/react-query";
import { X } from "lucide-react";
import { answer, api, type LoggedBatch } from "../../api/client";
import { newId } from "../../api/newId";
import { logbookQuery } from "../../api/queries";
import { say } from "../../wording/say";

const longest = 1280;

/** A photo as the logbook keeps it: no larger than it is looked at, without where it was taken. */
async function shrunk(file: File): Promise<Blob> {
  const image = await createImageBitmap(file);
  const by = Math.min(1, longest / Math.max(image.width, image.height));
  const canvas = document.createElement("canvas");
  [canvas.width, canvas.height] = [Math.round(image.width * by), Math.round(image.height * by)];
  canvas.getContext("2d")?.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve, reject) =>
    canvas.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error(say("logbook.this-picture-cant-read-choose")))),
      "image/jpeg",
      0.8,
    ),
  );
}

/** The photos of a batch. */
export function Photos({ batch }: { batch: LoggedBatch }) {
  const queries = useQueryClient();
  const settle = () => queries.invalidateQueries({ queryKey: logbookQuery.queryKey });
  const add = useMutation({
    mutationFn: async (file: File) => {
      const body = await shrunk(file);
      await answer(
        api.PUT("/api/logbook/batches/{batch}/photos/{id}", {
          params: { path: { batch: batch.id, id: newId() } },
          headers: { "Content-Type": "image/jpeg" },
          body: body as never,
          bodySerializer: (photo: unknown) => photo as Blob,
        }),
      );
    },
    onSuccess: settle,
  });
  const remove = useMutation({
    mutationFn: (id: string) => answer(api.DELETE("/api/logbook/photos/{id}", { params: { path: { id } } })),
    onSuccess: settle,
  });
  return (
    <section aria-label={say("logbook.photos")} className="border-line mt-6 border-t border-dashed pt-2">
      <h2 className="font-serif text-xl">{say("logbook.photos")}</h2>
      <ul className="mt-2 flex flex-wrap gap-3">
        {batch.photos.map((id, i) => (
          <li key={id} className="relative">
            <a href={`/api/logbook/photos/${id}`} target="_blank" rel="noreferrer">
              <img
                src={`/api/logbook/photos/${id}`}
                alt={say("logbook.number-of-count-name", {
                  number: i + 1,
                  count: batch.photos.length,
                  name: batch.name,
                })}
                className="border-rim h-32 border"
              />
            </a>
            <button
              type="button"
              aria-label={say("logbook.delete-photo", { number: i + 1 })}
              className="bg-panel absolute top-1 right-1 rounded-full p-1"
              onClick={() => remove.mutate(id)}
            >
              <X size={16} />
            </button>
          </li>
        ))}
      </ul>
      {add.error && (
        <p role="alert" className="text-mind">
          {add.error.message}
        </p>
      )}
      <label className="text-act mt-2 inline-block cursor-pointer font-semibold">
        {say("logbook.add-photo")}
        <input
          type="file"
          accept="image/*"
          className="sr-only"
          onChange={(e) => {
            const file = e.target.files?.[0];
            if (file) add.mutate(file);
            e.target.value = "";
          }}
        />
      </label>
    </section>
  );
}
