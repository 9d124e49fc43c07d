"""The draft machine by itself, in a browser with a clock turned by hand and a server that does as it is told."""

from __future__ import annotations

import subprocess
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Page

WEB = Path(__file__).parents[2] / "web"
BUILT = WEB.parent / "var" / "draft" / "draft.js"
HOME = "http://localhost/"
SAVE_MS = 600


@pytest.fixture(scope="session")
def script() -> str:
    """The draft machine as one script."""
    command = ["npx", "--no-install", "vite", "build", "--config", "testing/vite.config.js", "--logLevel", "error"]
    subprocess.run(command, cwd=WEB, check=True)
    return BUILT.read_text(encoding="utf-8")


@pytest.fixture
def desk(page: Page, script: str, troubles: list[str]) -> Iterator[Page]:
    """A page with the machine on it and its clock stopped."""
    head = '<!doctype html><script type="module" src="/draft.js"></script>'
    page.route(f"{HOME}**", lambda route: route.fulfill(content_type="text/html", body=head))
    page.route(f"{HOME}draft.js", lambda route: route.fulfill(content_type="text/javascript", body=script))
    page.clock.install(time=0)
    load(page)
    yield page


def load(page: Page) -> None:
    """Open the page, as after a reload: what the browser keeps is still there, the machine is new."""
    page.goto(HOME)
    page.wait_for_function("window.desk !== undefined")


def begin(page: Page) -> None:
    """A server with one document, and a draft of it."""
    page.evaluate("window.server = new desk.DeskServer(); window.draft = desk.open(server)")


def again(page: Page) -> None:
    """Reload the page; the server keeps what it kept."""
    kept = page.evaluate("JSON.stringify({ kept: server.kept, versions: server.versions })")
    load(page)
    page.evaluate(
        """(kept) => {
            window.server = Object.assign(new desk.DeskServer(), JSON.parse(kept));
            window.draft = desk.open(server);
        }""",
        kept,
    )


def pass_time(page: Page, ms: int) -> None:
    """Let time pass, timers and answers with it."""
    for _ in range(3):
        page.clock.run_for(ms // 3 + 1)
        page.evaluate("new Promise((resolve) => queueMicrotask(resolve))")


def shown(page: Page) -> dict[str, Any]:
    """The draft as it stands."""
    return dict(page.evaluate("desk.shown(draft)"))


def asked(page: Page) -> list[dict[str, Any]]:
    """The saves that were asked for."""
    return list(page.evaluate("server.asked"))


def test_two_edits_in_one_breath_are_both_kept_by_one_save(desk: Page) -> None:
    begin(desk)
    desk.evaluate("desk.add(draft, 'second'); desk.add(draft, 'third')")
    assert shown(desk)["save"] == "unsaved"
    pass_time(desk, SAVE_MS)
    assert [save["words"] for save in asked(desk)] == [["first", "second", "third"]]
    assert shown(desk) == {"words": ["first", "second", "third"], "save": "saved", "canUndo": True, "canRedo": False}


def test_steps_of_a_gesture_are_one_step_back(desk: Page) -> None:
    begin(desk)
    desk.evaluate("desk.add(draft, 'a', 'drag'); desk.add(draft, 'b', 'drag'); draft.endGesture()")
    desk.evaluate("desk.add(draft, 'c', 'drag'); draft.undo()")
    assert shown(desk)["words"] == ["first", "a", "b"]
    desk.evaluate("draft.undo()")
    assert shown(desk)["words"] == ["first"]
    desk.evaluate("draft.redo()")
    assert shown(desk)["words"] == ["first", "a", "b"]


def test_nothing_is_saved_that_was_not_touched(desk: Page) -> None:
    begin(desk)
    desk.context.set_offline(True)
    pass_time(desk, 10_000)
    desk.context.set_offline(False)
    pass_time(desk, 10_000)
    assert asked(desk) == []
    assert shown(desk)["save"] == "saved"


def test_what_is_drawn_during_a_save_follows_it(desk: Page) -> None:
    begin(desk)
    desk.evaluate("server.plan = ['hold']; desk.add(draft, 'second')")
    pass_time(desk, SAVE_MS)
    desk.evaluate("desk.add(draft, 'third')")
    assert shown(desk)["save"] == "saving"
    desk.evaluate("server.release()")
    pass_time(desk, SAVE_MS)
    assert [(save["words"][-1], save["revision"]) for save in asked(desk)] == [("second", 1), ("third", 2)]
    assert shown(desk)["save"] == "saved"


def test_without_a_connection_it_waits_and_saves_only_the_newest(desk: Page) -> None:
    begin(desk)
    desk.context.set_offline(True)
    desk.evaluate("desk.add(draft, 'second')")
    pass_time(desk, SAVE_MS)
    desk.evaluate("desk.add(draft, 'third')")
    pass_time(desk, 60_000)
    assert shown(desk)["save"] == "offline"
    assert asked(desk) == []
    desk.context.set_offline(False)
    pass_time(desk, SAVE_MS)
    assert [save["words"] for save in asked(desk)] == [["first", "second", "third"]]
    assert shown(desk)["save"] == "saved"


def test_a_broken_connection_is_tried_again_more_and_more_seldom(desk: Page) -> None:
    assert desk.evaluate("[0, 1, 2, 3, 9].map(desk.backOff)") == [1000, 2000, 4000, 8000, 30_000]
    begin(desk)
    desk.evaluate("server.plan = ['break', 'break', 'break']; desk.add(draft, 'second')")
    pass_time(desk, SAVE_MS)
    assert len(asked(desk)) == 1
    assert shown(desk)["save"] == "offline"
    pass_time(desk, 1100)
    assert len(asked(desk)) == 2
    pass_time(desk, 1100)
    assert len(asked(desk)) == 2
    pass_time(desk, 1100)
    assert len(asked(desk)) == 3
    pass_time(desk, 4200)
    assert shown(desk)["save"] == "saved"
    assert shown(desk)["words"] == ["first", "second"]


def test_a_refused_draft_stays_as_it_was_typed_and_the_next_one_is_saved(desk: Page) -> None:
    begin(desk)
    desk.evaluate("server.plan = ['refuse']; desk.add(draft, 'wrong')")
    pass_time(desk, SAVE_MS)
    assert shown(desk)["save"] == "refused"
    pass_time(desk, 60_000)
    assert len(asked(desk)) == 1
    desk.evaluate("desk.add(draft, 'right')")
    pass_time(desk, SAVE_MS)
    assert shown(desk) == {"words": ["first", "wrong", "right"], "save": "saved", "canUndo": True, "canRedo": False}


@pytest.mark.parametrize(("keep", "words"), [("mine", ["first", "mine"]), ("theirs", ["theirs"])])
def test_a_stale_save_shows_both_and_neither_is_lost(desk: Page, keep: str, words: list[str]) -> None:
    begin(desk)
    desk.evaluate("desk.add(draft, 'mine'); server.put({ words: ['theirs'] })")
    pass_time(desk, SAVE_MS)
    assert shown(desk)["save"] == "stale"
    assert desk.evaluate("draft.snapshot().save.current.document.words") == ["theirs"]
    assert desk.evaluate("server.kept.document.words") == ["theirs"]
    desk.evaluate(f"draft.settle('{keep}')")
    pass_time(desk, SAVE_MS)
    assert shown(desk)["save"] == "saved"
    assert desk.evaluate("server.kept.document.words") == words
    desk.evaluate("draft.undo()")
    assert shown(desk)["words"] == (["first"] if keep == "mine" else ["first", "mine"])


def test_an_answer_that_was_lost_is_no_conflict(desk: Page) -> None:
    begin(desk)
    desk.evaluate("server.plan = ['lose answer']; desk.add(draft, 'second')")
    pass_time(desk, SAVE_MS)
    assert shown(desk)["save"] == "offline"
    pass_time(desk, 1200)
    assert shown(desk)["save"] == "saved"
    assert desk.evaluate("server.kept.revision") == 2


def test_an_answer_lost_before_further_edits_is_no_conflict_either(desk: Page) -> None:
    begin(desk)
    desk.evaluate("server.plan = ['lose answer']; desk.add(draft, 'second')")
    pass_time(desk, SAVE_MS)
    desk.evaluate("desk.add(draft, 'third')")
    pass_time(desk, 3000)
    assert shown(desk)["save"] == "saved"
    assert desk.evaluate("server.kept.document.words") == ["first", "second", "third"]


def test_a_draft_outlives_a_reload_and_is_saved_then(desk: Page) -> None:
    begin(desk)
    desk.evaluate("desk.add(draft, 'second')")
    again(desk)
    assert shown(desk)["words"] == ["first", "second"]
    pass_time(desk, SAVE_MS)
    assert desk.evaluate("server.kept.document.words") == ["first", "second"]
    again(desk)
    assert shown(desk)["save"] == "saved"


def test_a_reload_during_ones_own_save_is_no_conflict(desk: Page) -> None:
    begin(desk)
    desk.evaluate("server.plan = ['lose answer']; desk.add(draft, 'second')")
    pass_time(desk, SAVE_MS)
    desk.evaluate("desk.add(draft, 'third')")
    again(desk)
    pass_time(desk, SAVE_MS)
    assert shown(desk)["save"] == "saved"
    assert desk.evaluate("server.kept.document.words") == ["first", "second", "third"]


def test_a_reload_while_the_save_is_still_on_its_way_is_no_conflict(desk: Page) -> None:
    begin(desk)
    desk.evaluate("server.plan = ['hold']; desk.add(draft, 'second')")
    pass_time(desk, SAVE_MS)
    desk.evaluate("desk.add(draft, 'third')")
    again(desk)
    desk.evaluate("server.put({ words: ['first', 'second'] })")
    pass_time(desk, 2 * SAVE_MS)
    assert shown(desk)["save"] == "saved"
    assert desk.evaluate("server.kept.document.words") == ["first", "second", "third"]


def test_undo_reaches_over_a_reload(desk: Page) -> None:
    begin(desk)
    desk.evaluate("desk.add(draft, 'second')")
    pass_time(desk, SAVE_MS)
    desk.evaluate("desk.add(draft, 'third')")
    pass_time(desk, SAVE_MS)
    again(desk)
    assert shown(desk)["canUndo"]
    desk.evaluate("draft.undo()")
    pass_time(desk, SAVE_MS)
    assert shown(desk)["words"] == ["first", "second"]
    assert asked(desk)[-1]["restores"] == 2
    desk.evaluate("draft.redo()")
    assert shown(desk)["words"] == ["first", "second", "third"]


def test_leaving_and_coming_back_finds_the_same_draft(desk: Page) -> None:
    begin(desk)
    desk.evaluate("window.of = () => desk.draftOf('1/mix/a', () => desk.open(server, 'a')); desk.add(of(), 'second')")
    assert desk.evaluate("of() === of()")
    assert desk.evaluate("desk.shown(of()).words") == ["first", "second"]
    pass_time(desk, SAVE_MS)
    assert desk.evaluate("desk.shown(of()).save") == "saved"
    assert desk.evaluate("of().snapshot().canUndo")


def test_disposed_of_it_asks_and_tells_nothing_more_but_what_waits_is_kept(desk: Page) -> None:
    begin(desk)
    desk.evaluate(
        """() => {
            window.told = 0;
            window.made = desk.draftOf('1/bed/a', () => desk.open(server, 'a'));
            made.subscribe(() => (told += 1));
            desk.add(made, 'second');
            desk.disposeDrafts('1/');
        }"""
    )
    before = desk.evaluate("told")
    pass_time(desk, 60_000)
    assert asked(desk) == []
    assert desk.evaluate("told") == before
    desk.evaluate("window.made = desk.draftOf('1/bed/a', () => desk.open(server, 'a'))")
    assert desk.evaluate("desk.shown(made).words") == ["first", "second"]
    pass_time(desk, SAVE_MS)
    assert desk.evaluate("server.kept.document.words") == ["first", "second"]


def test_forgotten_it_leaves_nothing_behind(desk: Page) -> None:
    begin(desk)
    desk.evaluate("desk.add(desk.draftOf('1/bed/b', () => desk.open(server, 'b')), 'second')")
    assert desk.evaluate("localStorage.length") == 1
    desk.evaluate("desk.forgetDraft('1/bed/b')")
    assert desk.evaluate("localStorage.length") == 0


def test_what_lies_in_the_browser_is_taken_for_a_draft_only_where_it_is_one(desk: Page) -> None:
    for lying in ("nonsense", "[]", '{"revision": "1", "document": {"words": []}}', '{"revision": 1, "document": 7}'):
        desk.evaluate("(text) => localStorage.setItem('nolbet.draft.desk', text)", lying)
        begin(desk)
        assert shown(desk) == {"words": ["first"], "save": "saved", "canUndo": False, "canRedo": False}


def test_a_newer_one_kept_elsewhere_is_taken_only_where_nothing_is_unsaved(desk: Page) -> None:
    begin(desk)
    desk.evaluate("draft.adopt({ document: { words: ['new'] }, revision: 2, saved_at: null })")
    assert shown(desk)["words"] == ["new"]
    desk.evaluate("desk.add(draft, 'mine')")
    desk.evaluate("draft.adopt({ document: { words: ['newer'] }, revision: 3, saved_at: null })")
    assert shown(desk)["words"] == ["new", "mine"]


def test_the_asker_asks_about_the_newest_alone(desk: Page) -> None:
    heard = desk.evaluate(
        """async () => {
            const asked = [], answers = [], waiting = [];
            const asker = new desk.Asker(
                (question) => new Promise((resolve) => {
                    asked.push(question);
                    waiting.push(() => resolve(question * 10));
                }),
                { answered: (answer) => answers.push(answer), refused: () => undefined, reached: () => undefined },
            );
            for (const question of [3, 4, 5, 6]) asker.want(question);
            waiting.shift()();
            await new Promise((resolve) => queueMicrotask(() => queueMicrotask(() => queueMicrotask(resolve))));
            waiting.shift()();
            await new Promise((resolve) => queueMicrotask(() => queueMicrotask(() => queueMicrotask(resolve))));
            return { asked, answers };
        }"""
    )
    assert heard == {"asked": [3, 6], "answers": [30, 60]}


def test_the_asker_comes_back_when_the_connection_does(desk: Page) -> None:
    desk.evaluate(
        """() => {
            window.tries = 0; window.reached = []; window.answers = [];
            window.asker = new desk.Asker(
                () => (tries += 1) < 3 ? Promise.reject(new TypeError('Failed to fetch')) : Promise.resolve('there'),
                {
                    answered: (answer) => answers.push(answer),
                    refused: () => undefined,
                    reached: (now) => reached.push(now),
                },
            );
            asker.want('what');
        }"""
    )
    pass_time(desk, 1200)
    pass_time(desk, 2400)
    assert desk.evaluate("[tries, reached, answers]") == [3, [False, True], ["there"]]
    desk.evaluate("asker.dispose(); asker.want('more')")


def test_the_later_asker_ends_the_older_question(desk: Page) -> None:
    desk.evaluate(
        """() => {
            window.answers = [];
            const heard = { answered: (answer) => answers.push(answer) };
            window.later = new desk.LaterAsker(150, (question) => Promise.resolve(question), heard);
            later.want('old'); later.want('new');
        }"""
    )
    pass_time(desk, 400)
    assert desk.evaluate("answers") == ["new"]


def test_documents_are_the_same_by_what_they_say(desk: Page) -> None:
    assert desk.evaluate("desk.sameDocument({ a: 1, b: [{ c: 2, d: null }] }, { b: [{ c: 2 }], a: 1 })")
    assert not desk.evaluate("desk.sameDocument({ a: [1, 2] }, { a: [2, 1] })")
