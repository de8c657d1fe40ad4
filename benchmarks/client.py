"""Someone who uses the API."""

import json
from collections.abc import Iterator
from http.client import HTTPResponse
from urllib.request import HTTPCookieProcessor, OpenerDirector, Request, build_opener


class Client:
    """A signed-in API client that keeps its cookies."""

    def __init__(self, site: str) -> None:
        self._site = site
        self._cookies = HTTPCookieProcessor()
        self._open: OpenerDirector = build_opener(self._cookies)
        self.ask("GET", "/api/session")

    def sign_up(self, name: str) -> None:
        """Makes an account."""
        self.ask("POST", "/api/session/sign-up", {"name": name, "password": "a long password"})

    def ask(self, method: str, path: str, body: object = None) -> bytes:
        """The whole answer. Raises HTTPError."""
        data = body if isinstance(body, bytes) else json.dumps(body).encode() if body is not None else None
        with self._sent(method, path, data) as answer:
            sent: bytes = answer.read()
            return sent

    def send_file(self, path: str, raw: bytes, fields: dict[str, str]) -> bytes:
        """A file with the fields of a form."""
        mark = "a-mark-between-parts"
        parts = [f'--{mark}\r\nContent-Disposition: form-data; name="{n}"\r\n\r\n{v}\r\n' for n, v in fields.items()]
        parts.append(f'--{mark}\r\nContent-Disposition: form-data; name="file"; filename="gear.csv"\r\n\r\n')
        data = "".join(parts).encode() + raw + f"\r\n--{mark}--\r\n".encode()
        with self._sent("POST", path, data, f"multipart/form-data; boundary={mark}") as answer:
            sent: bytes = answer.read()
            return sent

    def lines(self, path: str, body: object) -> Iterator[bytes]:
        """Lines of a streamed answer as they come, the empty ones too; closing it hangs up."""
        with self._sent("POST", path, json.dumps(body).encode()) as answer:
            yield from answer

    def _sent(self, method: str, path: str, data: bytes | None, sort: str = "application/json") -> HTTPResponse:
        token = next((c.value for c in self._cookies.cookiejar if c.name == "csrftoken"), "") or ""
        headers = {"Content-Type": sort, "X-CSRFToken": token, "Referer": self._site}
        answer: HTTPResponse = self._open.open(Request(self._site + path, data=data, method=method, headers=headers))
        return answer


class Toggle:
    """A click on the mat: loads a thing of a kit, and with the next click leaves it again."""

    def __init__(self, client: Client, kit: str, item: str) -> None:
        self._client, self._kit, self._item = client, kit, item
        self.version, self.loaded = self.stored()

    def stored(self) -> tuple[int, bool]:
        """Version of the kit as the site has it, and whether the thing is loaded there."""
        state = json.loads(self._client.ask("GET", self._kit))["state"]
        return state["version"], any(entry["item"] == self._item for entry in state["kit"]["entries"])

    def __call__(self) -> None:
        """Raises HTTPError; then it counts as not done."""
        act = {"act": "leave" if self.loaded else "load", "item": self._item}
        sent = self._client.ask("POST", f"{self._kit}/edits", {"version": self.version, "edits": [act]})
        self.version, self.loaded = json.loads(sent)["version"], not self.loaded
