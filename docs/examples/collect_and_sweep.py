"""The whole way through the interface of Orbis, with nothing but Python's own library.

    python3 collect_and_sweep.py http://orbis.localhost:7420 TOKEN code.html hollinfell/talks#opening

A token is made in the console (Account), or with "orbis add token".
"""
import json
import sys
import time
import urllib.error
import urllib.parse
import urllib.request


class Orbis:
    def __init__(self, url, token):
        address = urllib.parse.urlsplit(url)
        self.host = address.netloc
        # Not every system knows that names below "localhost" are this machine (RFC 6761, section 6.3).
        if address.hostname.endswith(".localhost"):
            address = address._replace(netloc=f"127.0.0.1:{address.port or 80}")
        self.base = address.geturl().rstrip("/") + "/api/v1"
        self.token = token

    def call(self, method, path, body=None, if_match=None):
        """Gives the answer and its state (ETag); stops with Orbis's own sentence where it refuses."""
        headers = {
            "Host": self.host,
            "Authorization": "Bearer " + self.token,
            "Accept": "application/json",
        }
        if body is not None:
            headers["Content-Type"] = "application/json"
        if if_match is not None:
            headers["If-Match"] = if_match
        data = None if body is None else json.dumps(body).encode()
        request = urllib.request.Request(self.base + path, data, headers, method=method)
        try:
            with urllib.request.urlopen(request) as answer:
                return json.load(answer), answer.headers.get("ETag")
        except urllib.error.HTTPError as refused:
            sys.exit(json.load(refused)["detail"])


def main(url, token, file, place):
    orbis = Orbis(url, token)
    with open(file, encoding="utf-8") as code:
        embed, state = orbis.call("POST", "/embeds", {"name": "From Python", "text": code.read()})
    key = embed["key"]
    orbis.call("POST", f"/embeds/{key}/revisions", {"options": {"start": 112}}, state)
    placement, _ = orbis.call("POST", "/placements", {"embed": key, "place": place})
    delivery, _ = orbis.call("POST", f"/placements/{placement['id']}/deliveries")
    print(delivery["text"])

    sweep, _ = orbis.call("POST", "/sweeps", {"page": placement["page"]})
    while sweep["endedAt"] is None:
        time.sleep(0.2)
        sweep, _ = orbis.call("GET", "/sweeps/" + sweep["id"])
    seen, _ = orbis.call("GET", "/placements/" + placement["id"])
    print(f"{key} in {place}: {seen['state']}")


if __name__ == "__main__":
    if len(sys.argv) != 5:
        sys.exit(__doc__)
    main(*sys.argv[1:])
