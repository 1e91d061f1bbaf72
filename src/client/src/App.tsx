import { useQuery } from "@tanstack/react-query";
import { Route, Routes } from "react-router";
import { sessionQuery } from "./api/queries";
import { ColourPage } from "./features/colour/ColourPage";
import { KitchenPage } from "./features/kitchen/KitchenPage";
import { CardPage } from "./features/looks/CardPage";
import { LookPage } from "./features/looks/LookPage";
import { LooksPage } from "./features/looks/LooksPage";
import { NewLookPage } from "./features/looks/NewLookPage";
import { OrderPage } from "./features/order/OrderPage";
import { Door } from "./features/session/Door";
import { ShelfPage } from "./features/shelf/ShelfPage";
import { ErrorNote, Waiting } from "./ui/notes";
import { Shell } from "./ui/Shell";

export function App() {
  const session = useQuery(sessionQuery);
  if (session.isPending) return <Waiting />;
  if (session.isError) return <ErrorNote error={session.error} retry={() => void session.refetch()} />;
  if (!session.data.signedIn) return <Door hasSample={session.data.hasSample} />;
  return (
    <Shell>
      <Routes>
        <Route path="/" element={<ShelfPage />} />
        <Route path="/orders/:id" element={<OrderPage />} />
        <Route path="/looks" element={<LooksPage />} />
        <Route path="/looks/new" element={<NewLookPage />} />
        <Route path="/looks/:code" element={<LookPage />} />
        <Route path="/looks/:code/card" element={<CardPage />} />
        <Route path="/colour" element={<ColourPage />} />
        <Route path="/kitchen/:corner?" element={<KitchenPage />} />
        <Route
          path="*"
          element={<ErrorNote error={new Error("There is no such page. The shelf has all the orders.")} />}
        />
      </Routes>
    </Shell>
  );
}
