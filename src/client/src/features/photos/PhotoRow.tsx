import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { X } from "lucide-react";
import { answer, api } from "../../api/client";
import { newId } from "../../api/newId";
import { say } from "../../wording/say";

const longest = 1280;

/** A photo as it is kept: no larger than it is looked at, without where it was taken. */
async function shrunk(file: File): Promise<Blob> {
  const image = await createImageBitmap(file);
  const by = Math.min(1, longest / Math.max(image.width, image.height));
  const canvas = document.createElement("canvas");
  [canvas.width, canvas.height] = [Math.round(image.width * by), Math.round(image.height * by)];
  canvas.getContext("2d")?.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve, reject) =>
    canvas.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error(say("photos.this-picture-cant-read-choose")))),
      "image/jpeg",
      0.8,
    ),
  );
}

/** Photos of the finished pieces of a batch, an order or a look. */
export function PhotoRow(props: { subject: "batches" | "orders" | "looks"; of: string; name: string }) {
  const { subject, of, name } = props;
  const queries = useQueryClient();
  const path = { subject, of };
  const photos = useQuery({
    queryKey: ["photos", subject, of],
    queryFn: () => answer(api.GET("/api/photos/{subject}/{of}", { params: { path } })),
  }).data;
  const settle = () => queries.invalidateQueries({ queryKey: ["photos", subject, of] });
  const add = useMutation({
    mutationFn: async (file: File) => {
      const body = await shrunk(file);
      await answer(
        api.PUT("/api/photos/{subject}/{of}/{id}", {
          params: { path: { ...path, id: newId() } },
          headers: { "Content-Type": "image/jpeg" },
          body: body as never,
          bodySerializer: (photo: unknown) => photo as Blob,
        }),
      );
    },
    onSuccess: settle,
  });
  const remove = useMutation({
    mutationFn: (id: string) => answer(api.DELETE("/api/photos/{id}", { params: { path: { id } } })),
    onSuccess: settle,
  });
  return (
    <section aria-label={say("photos.photos")} className="border-line mt-6 border-t border-dashed pt-2">
      <h2 className="font-serif text-xl">{say("photos.photos")}</h2>
      <ul className="mt-2 flex flex-wrap gap-3">
        {photos?.map((id, i) => (
          <li key={id} className="relative">
            <a href={`/api/photos/${id}`} target="_blank" rel="noreferrer">
              <img
                src={`/api/photos/${id}`}
                alt={say("photos.number-of-count-name", {
                  number: i + 1,
                  count: photos.length,
                  name,
                })}
                className="border-rim h-32 border"
              />
            </a>
            <button
              type="button"
              aria-label={say("photos.delete-photo", { number: i + 1 })}
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
      <label className="text-act has-focus-visible:outline-act mt-2 inline-block cursor-pointer font-semibold has-focus-visible:outline-2">
        {say("photos.add-photo")}
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
