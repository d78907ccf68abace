"""Write down all answers as they are now: 'python -m tests.core.agreed'. Look at what changed before it is committed."""

from .book import BOOK, answers_in_force, written_book

if __name__ == "__main__":
    BOOK.write_text(written_book(answers_in_force()), encoding="utf-8")
