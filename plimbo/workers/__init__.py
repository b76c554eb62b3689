"""Long questions, answered in processes of their own, so that nothing else waits for them: `WORKERS.ask(question)`."""

from plimbo.workers.pool import WORKERS, Workers
from plimbo.workers.process import Question
from plimbo.workers.task import Priority, Task

__all__ = ["WORKERS", "Priority", "Question", "Task", "Workers"]
