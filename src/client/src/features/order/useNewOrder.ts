import { useCallback } from "react";
import { useNavigate } from "react-router";
import { newId } from "../../api/newId";

/** Goes to an empty order. It is saved once it holds something. */
export function useNewOrder() {
  const navigate = useNavigate();
  return useCallback(() => void navigate(`/orders/${newId()}`, { state: { fresh: true } }), [navigate]);
}
