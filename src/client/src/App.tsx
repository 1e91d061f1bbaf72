import { useQuery } from "@tanstack/react-query";
import { Route, Routes } from "react-router";
import { sessionQuery } from "./api/queries";
import { ColourPage } from "./features/colour/ColourPage";
import { DayPage } from "./features/day/DayPage";
import { KitchenPage } from "./features/kitchen/KitchenPage";
import { BenchPage } from "./features/bench/BenchPage";
import { LeftoversPage } from "./features/leftovers/LeftoversPage";
import { HandbookPage } from "./features/handbook/HandbookPage";
import { BatchPage } from "./features/logbook/BatchPage";
import { LogbookPage } from "./features/logbook/LogbookPage";
import { CardPage } from "./features/looks/CardPage";
import { LookPage } from "./features/looks/LookPage";
import { LooksPage } from "./features/looks/LooksPage";
import { NewLookPage } from "./features/looks/NewLookPage";
import { OrderPage } from "./features/order/OrderPage";
import { OrdersPage } from "./features/orders/OrdersPage";
import { IngredientsPage } from "./features/packing/IngredientsPage";
import { LabelsPage } from "./features/packing/LabelsPage";
import { PackingPage } from "./features/packing/PackingPage";
import { PaperPage } from "./features/paper/PaperPage";
import { WallCardPage } from "./features/paper/WallCardPage";
import { PantryPage } from "./features/pantry/PantryPage";
import { ShoppingPage } from "./features/pantry/ShoppingPage";
import { PrepPage } from "./features/prep/PrepPage";
import { PracticePage } from "./features/practice/PracticePage";
import { PricePage } from "./features/price/PricePage";
import { QuotePage, SharedQuotePage } from "./features/price/QuotePage";
import { Door } from "./features/session/Door";
import { JoinPage } from "./features/session/JoinPage";
import { ShelfPage } from "./features/shelf/ShelfPage";
import { TroublePage } from "./features/troubles/TroublePage";
import { ErrorNote, Waiting } from "./ui/notes";
import { Shell } from "./ui/Shell";

export function App() {
  return (
    <Routes>
      <Route path="/q/:secret" element={<SharedQuotePage />} />
      <Route path="/i/:page" element={<IngredientsPage />} />
      <Route path="/join/:secret" element={<JoinPage />} />
      <Route path="*" element={<House />} />
    </Routes>
  );
}

function House() {
  const session = useQuery(sessionQuery);
  if (session.isPending) return <Waiting />;
  if (session.isError) return <ErrorNote error={session.error} retry={() => void session.refetch()} />;
  if (!session.data.signedIn) return <Door hasSample={session.data.hasSample} />;
  return (
    <Shell>
      <Routes>
        <Route path="/" element={<ShelfPage />} />
        <Route path="/orders" element={<OrdersPage />} />
        <Route path="/orders/:id" element={<OrderPage />} />
        <Route path="/orders/:id/prep" element={<PrepPage />} />
        <Route path="/orders/:id/packing" element={<PackingPage />} />
        <Route path="/orders/:id/leftovers" element={<LeftoversPage />} />
        <Route path="/orders/:id/labels" element={<LabelsPage />} />
        <Route path="/orders/:id/paper/:kind?" element={<PaperPage />} />
        <Route path="/handbook" element={<HandbookPage />} />
        <Route path="/wall-card" element={<WallCardPage />} />
        <Route path="/orders/:id/price" element={<PricePage />} />
        <Route path="/orders/:id/quote" element={<QuotePage />} />
        <Route path="/day" element={<DayPage />} />
        <Route path="/bench" element={<BenchPage />} />
        <Route path="/practice" element={<PracticePage />} />
        <Route path="/practice/:code" element={<PracticePage />} />
        <Route path="/logbook" element={<LogbookPage />} />
        <Route path="/logbook/:id" element={<BatchPage />} />
        <Route path="/trouble" element={<TroublePage />} />
        <Route path="/trouble/:sign" element={<TroublePage />} />
        <Route path="/pantry" element={<PantryPage />} />
        <Route path="/shopping" element={<ShoppingPage />} />
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
