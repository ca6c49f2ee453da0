"""Takes events of Orbis at an address of your own, with nothing but Python's own library.

    EVENT_KEY=… python3 receive_events.py 8080 https://tickets.example/orbis

The key is told once, when the webhook is added; behind the port stands the address that Orbis sends to.
What is not signed by the key is refused (RFC 9421, RFC 9530).
"""
import base64
import hashlib
import hmac
import http.server
import json
import os
import re
import sys
import time

KEY = os.environ["EVENT_KEY"].encode()
ADDRESS = sys.argv[2]
NEEDED = {"@method", "@target-uri", "content-type", "content-digest"}
SEEN = set()


def is_signed(headers, body):
    digest = base64.b64encode(hashlib.sha256(body).digest()).decode()
    if headers.get("Content-Digest") != f"sha-256=:{digest}:":
        return False
    given = re.fullmatch(r"orbis=(\(([^()]*)\);created=(\d+)[^()]*)", headers.get("Signature-Input", ""))
    signature = re.fullmatch(r"orbis=:([A-Za-z0-9+/=]+):", headers.get("Signature", ""))
    # What was sent long ago may be sent again by somebody else.
    if not given or not signature or abs(time.time() - int(given[3])) > 300:
        return False
    covered = re.findall(r'"([^"]+)"', given[2])
    if not NEEDED <= set(covered):
        return False
    derived = {"@method": "POST", "@target-uri": ADDRESS}
    lines = [f'"{name}": {derived.get(name) or headers.get(name)}' for name in covered]
    base = "\n".join(lines + [f'"@signature-params": {given[1]}'])
    expected = hmac.new(KEY, base.encode(), hashlib.sha256).digest()
    return hmac.compare_digest(expected, base64.b64decode(signature[1]))


class Receiver(http.server.BaseHTTPRequestHandler):
    def do_POST(self):
        body = self.rfile.read(min(int(self.headers.get("Content-Length", 0)), 1_000_000))
        if not is_signed(self.headers, body):
            return self.answer(401)
        event = json.loads(body)
        # The same event may come twice: what was done about it once is not done again.
        if event["id"] not in SEEN:
            SEEN.add(event["id"])
            print(event["type"], event.get("subject", ""), event["data"]["message"], flush=True)
        self.answer(204)

    def answer(self, status):
        self.send_response(status)
        self.end_headers()

    def log_message(self, *_):
        pass


with http.server.ThreadingHTTPServer(("127.0.0.1", int(sys.argv[1])), Receiver) as server:
    print("listening on", server.server_address[1], flush=True)
    server.serve_forever()
