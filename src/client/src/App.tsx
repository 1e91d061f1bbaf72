import { useQuery } from "@tanstack/react-query";
import type { ComponentType } from "react";
import { Route, Router, Switch } from "wouter";
import { useAddress } from "./ui/leaving";
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
    <Router hook={useAddress}>
      <AskBeforeLeaving>
        <Switch>
          <Route path="/q/:secret" component={SharedQuotePage} />
          <Route path="/i/:page" component={IngredientsPage} />
          <Route path="/join/:secret" component={JoinPage} />
          <Route component={SignedInRoutes} />
        </Switch>
      </AskBeforeLeaving>
    </Router>
  );
}

function SignedInRoutes() {
  const session = useQuery(sessionQuery);
  if (session.isPending) return <Waiting />;
  if (session.isError) return <ErrorNote error={session.error} retry={() => void session.refetch()} />;
  if (!session.data.signedIn) return <SignInPage hasSample={session.data.hasSample} />;
  return (
    <Shell>
      <Switch>
        <Route path="/" component={ShelfPage} />
        <Route path="/orders" component={OrdersPage} />
        <Route path="/orders/:id" component={OrderPage} />
        <Route path="/orders/:id/prep" component={PrepPage} />
        <Route path="/orders/:id/packing" component={PackingPage} />
        <Route path="/orders/:id/leftovers" component={LeftoversPage} />
        <Route path="/orders/:id/labels" component={LabelsPage} />
        <Route path="/orders/:id/paper/:kind?" component={PaperPage} />
        <Route path="/welcome/:step?" component={WelcomePage} />
        <Route path="/customers" component={CustomersPage} />
        <Route path="/deleted" component={DeletedPage} />
        <Route path="/handbook" component={HandbookPage} />
        <Route path="/wall-card" component={WallCardPage} />
        <Route path="/orders/:id/price" component={PricePage} />
        <Route path="/orders/:id/quote" component={QuotePage} />
        <Route path="/day" component={DayPage} />
        <Route path="/bench" component={BenchPage} />
        <Route path="/practice" component={PracticePage} />
        <Route path="/practice/:code" component={PracticePage} />
        <Route path="/logbook" component={LogbookPage} />
        <Route path="/logbook/:id" component={BatchPage} />
        <Route path="/trouble" component={TroublePage} />
        <Route path="/trouble/:sign" component={TroublePage} />
        <Route path="/pantry" component={PantryPage} />
        <Route path="/shopping" component={ShoppingPage} />
        <Route path="/looks" component={LooksPage} />
        <Route path="/looks/new" component={NewLookPage} />
        <Route path="/looks/:code" component={LookPage} />
        <Route path="/looks/:code/card" component={CardPage} />
        <Route path="/colour" component={ColourPage} />
        <Route path="/kitchen/:corner?" component={KitchenPage} />
        <Route>
          <ErrorNote error={new Error(say("app.page-not-found-all-your"))} />
        </Route>
      </Switch>
    </Shell>
  );
}
