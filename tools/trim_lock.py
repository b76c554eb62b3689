"""Removes optional peers that are not installed from web/package-lock.json: this build does not use them."""

import json
from pathlib import Path

LOCK = Path("web/package-lock.json")

lock = json.loads(LOCK.read_text())
installed = {path.rsplit("node_modules/", 1)[-1] for path in lock["packages"]}
for package in lock["packages"].values():
    optional = package.get("peerDependenciesMeta", {})
    for name in [name for name in optional if name not in installed]:
        del optional[name]
        package.get("peerDependencies", {}).pop(name, None)
    for field in ("peerDependenciesMeta", "peerDependencies"):
        if package.get(field) == {}:
            del package[field]
LOCK.write_text(json.dumps(lock, indent=2) + "\n")
