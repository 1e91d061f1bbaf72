import type { Coating } from "../../api/client";
import { useWording } from "../../ui/units";

/** How warm a coating is melted, dipped and drizzled, as rows. */
export function Temperatures({ coating }: { coating: Coating | undefined }) {
  const wording = useWording();
  return (
    <table className="w-full text-left">
      <tbody>
        {coating?.facts
          .filter((fact) => fact.from.unit === "°C")
          .map((fact) => (
            <tr key={fact.from.code}>
              <th className="font-normal">{fact.from.what}</th>
              <td className="text-right font-bold">{wording.window(fact.from.value, fact.to.value)}</td>
            </tr>
          ))}
      </tbody>
    </table>
  );
}
