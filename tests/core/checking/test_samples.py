"""The sample inks, drawn by another program: every fault found, no clean letter corrected."""

import json
from typing import Any

import pytest

from firstloop.formats import inkml
from tests.conftest import INKS
from tests.letters import checked, to_mend

SAMPLES = [json.loads(line) for line in (INKS / "expected.jsonl").read_text().splitlines()]


@pytest.mark.parametrize("sample", SAMPLES, ids=lambda s: f"{s['file']} {s['target']} {s['fault']}")
def test_a_sample_is_judged_as_a_teacher_would(sample: Any) -> None:
    file = inkml.read((INKS / sample["file"]).read_bytes())
    result = checked(file.ink, sample["target"], file.ruling)
    codes = to_mend(result)
    if sample["kind"] == "clean":
        assert codes == []
    else:
        assert set(codes) & set(sample["expected"])
        assert set(codes) <= {*sample["expected"], *sample["also_ok"]}
    assert sample["reads_as"] in (None, result.reads_as)
