"""What a text is judged by: what was asked for, and by what ink is judged."""

from dataclasses import dataclass

from firstloop.core.checking.letters.setting import Setting
from firstloop.core.evidence.task import Kind, Task


@dataclass(frozen=True, slots=True, eq=False)
class Asked:
    """A task with a text: `target` has single spaces, of a row one letter; `setting` is by what the
    ink is judged."""

    task: Task
    target: str
    setting: Setting

    @classmethod
    def of(cls, task: Task, setting: Setting) -> "Asked":
        """A task in a setting."""
        return cls(task, " ".join(task.target.split()), setting)

    @property
    def letters(self) -> str:
        """The text without its spaces."""
        return self.target.replace(" ", "")

    @property
    def counted(self) -> list[int]:
        """For each letter its place in the text, spaces counted."""
        return [at for at, c in enumerate(self.target) if c != " "]

    @property
    def is_row(self) -> bool:
        """Whether one letter was to be written, as often as the child likes."""
        return self.task.kind is Kind.ROW

    @property
    def stand_apart(self) -> bool:
        """Whether its letters are no words: a row, or a sequence to look back on."""
        return self.task.kind in (Kind.ROW, Kind.SEQUENCE)

    @property
    def joined(self) -> bool:
        """Whether its letters are joined in this hand."""
        return self.setting.hand.joins and not self.stand_apart
