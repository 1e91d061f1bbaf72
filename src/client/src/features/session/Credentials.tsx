import { useState } from "react";
import { ApiError } from "../../api/client";
import { TextField } from "../../ui/fields";
import { say } from "../../wording/say";

interface Send {
  mutate: (credentials: { name: string; password: string }) => void;
  error: Error | null;
  isPending: boolean;
}

/** A name and a password. */
export function Credentials(props: {
  act: string;
  send: Send;
  gone?: string;
  known?: boolean;
  children?: React.ReactNode;
}) {
  const { send } = props;
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  const errors = send.error instanceof ApiError ? send.error.errors : {};
  const gone = send.error instanceof ApiError && send.error.status === 404 ? props.gone : undefined;
  return (
    <form
      className="mt-5 grid gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        send.mutate({ name, password });
      }}
    >
      {props.children}
      <TextField
        label={say("ui.name")}
        autoComplete="username"
        value={name}
        onChange={setName}
        error={errors.name?.join(" ")}
      />
      <TextField
        label={say("session.password")}
        type="password"
        autoComplete={props.known ? "current-password" : "new-password"}
        value={password}
        onChange={setPassword}
        error={errors.password?.join(" ")}
      />
      {send.error && (
        <p role="alert" className="text-mind">
          {gone ?? send.error.message}
        </p>
      )}
      <p>
        <button
          className="bg-act text-on-act rounded-full px-5 py-1.5 font-bold disabled:opacity-60"
          disabled={send.isPending}
        >
          {props.act}
        </button>
      </p>
    </form>
  );
}
