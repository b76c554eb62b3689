"""What is compiled is kept by the content of the core."""

from pathlib import Path

from plimbo.core.working.compiled_code import OTHERS, content_of, kept_in


def test_another_law_is_kept_in_another_folder_and_the_oldest_go(tmp_path: Path) -> None:
    core, caches = tmp_path / "core", tmp_path / "caches"
    (core / "thermal").mkdir(parents=True)
    law = core / "thermal" / "law.py"
    folders = []
    for version in range(OTHERS + 3):
        law.write_text(f"law = {version}")
        folder = kept_in(caches, core)
        assert folder == kept_in(caches, core) == caches / content_of(core)
        folder.mkdir(parents=True)
        folders.append(folder)
    assert len(set(folders)) == OTHERS + 3
    left = set(caches.iterdir())
    assert folders[-1] in left
    assert len(left) <= OTHERS + 1
