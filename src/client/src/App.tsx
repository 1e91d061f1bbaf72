import { useQuery } from "@tanstack/react-query";
import type { ComponentType } from "react";
import { Route, Routes } from "react-router";
import { AskBeforeLeaving } from "./ui/unsaved";
import { sessionQuery } from "./api/queries";
import { later } from "./ui/later";
import { ErrorNote, Waiting } from "./ui/notes";
import { Shell } from "./ui/Shell";
import { say } from "./wording/say";

/** A page that is fetched when it is first opened. */
const page = <Name extends string>(load: () => Promise<Record<Name, ComponentType>>, name: Name) =>
  later(load, name, <Waiting />);

const ColourPage = page(() => import("./features/colour/ColourPage"), "ColourPage");
const DayPage = page(() => import("./features/day/DayPage"), "DayPage");
const KitchenPage = page(() => import("./features/kitchen/KitchenPage"), "KitchenPage");
const BenchPage = page(() => import("./features/bench/BenchPage"), "BenchPage");
const LeftoversPage = page(() => import("./features/leftovers/LeftoversPage"), "LeftoversPage");
const CustomersPage = page(() => import("./features/customers/CustomersPage"), "CustomersPage");
const DeletedPage = page(() => import("./features/deleted/DeletedPage"), "DeletedPage");
const WelcomePage = page(() => import("./features/welcome/WelcomePage"), "WelcomePage");
const HandbookPage = page(() => import("./features/handbook/HandbookPage"), "HandbookPage");
const BatchPage = page(() => import("./features/logbook/BatchPage"), "BatchPage");
const LogbookPage = page(() => import("./features/logbook/LogbookPage"), "LogbookPage");
const CardPage = page(() => import("./features/looks/CardPage"), "CardPage");
const LookPage = page(() => import("./features/looks/LookPage"), "LookPage");
const LooksPage = page(() => import("./features/looks/LooksPage"), "LooksPage");
const NewLookPage = page(() => import("./features/looks/NewLookPage"), "NewLookPage");
const OrderPage = page(() => import("./features/order/OrderPage"), "OrderPage");
const OrdersPage = page(() => import("./features/orders/OrdersPage"), "OrdersPage");
const IngredientsPage = page(() => import("./features/packing/IngredientsPage"), "IngredientsPage");
const LabelsPage = page(() => import("./features/packing/LabelsPage"), "LabelsPage");
const PackingPage = page(() => import("./features/packing/PackingPage"), "PackingPage");
const PaperPage = page(() => import("./features/paper/PaperPage"), "PaperPage");
const WallCardPage = page(() => import("./features/paper/WallCardPage"), "WallCardPage");
const PantryPage = page(() => import("./features/pantry/PantryPage"), "PantryPage");
const ShoppingPage = page(() => import("./features/pantry/ShoppingPage"), "ShoppingPage");
const PrepPage = page(() => import("./features/prep/PrepPage"), "PrepPage");
const PracticePage = page(() => import("./features/practice/PracticePage"), "PracticePage");
const PricePage = page(() => import("./features/price/PricePage"), "PricePage");
const QuotePage = page(() => import("./features/price/QuotePage"), "QuotePage");
const SharedQuotePage = page(() => import("./features/price/QuotePage"), "SharedQuotePage");
const JoinPage = page(() => import("./features/session/JoinPage"), "JoinPage");
const ShelfPage = page(() => import("./features/shelf/ShelfPage"), "ShelfPage");
const SignInPage = later(() => import("./features/session/SignInPage"), "SignInPage", <Waiting />);
const TroublePage = page(() => import("./features/troubles/TroublePage"), "TroublePage");

export function App() {
  return (
    <AskBeforeLeaving>
      <Routes>
        <Route path="/q/:secret" element={<SharedQuotePage />} />
        <Route path="/i/:page" element={<IngredientsPage />} />
        <Route path="/join/:secret" element={<JoinPage />} />
        <Route path="*" element={<SignedInRoutes />} />
      </Routes>
    </AskBeforeLeaving>
  );
}

function SignedInRoutes() {
  const session = useQuery(sessionQuery);
  if (session.isPending) return <Waiting />;
  if (session.isError) return <ErrorNote error={session.error} retry={() => void session.refetch()} />;
  if (!session.data.signedIn) return <SignInPage hasSample={session.data.hasSample} />;
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
        <Route path="/welcome/:step?" element={<WelcomePage />} />
        <Route path="/customers" element={<CustomersPage />} />
        <Route path="/deleted" element={<DeletedPage />} />
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
        <Route path="*" element={<ErrorNote error={new Error(say("app.page-not-found-all-your"))} />} />
      </Routes>
    </Shell>
  );
}
