import { useCallback } from "react";
import { useLocation } from "wouter";
import { newId } from "../../api/newId";

/** Goes to an empty order. It is saved once it holds something. */
export function useNewOrder() {
  const [, navigate] = useLocation();
  return useCallback(() => navigate(`/orders/${newId()}`, { state: { fresh: true } }), [navigate]);
}
