"""A gardener looks after their account: where it is signed in, a forgotten password, taking all out, leaving it."""

from __future__ import annotations

import zipfile
from datetime import timedelta

import pytest
from django.contrib.auth.models import User
from django.test import Client
from django.utils import timezone
from playwright.sync_api import Page, expect

from nolbet.account.models import Leaving
from nolbet.account.reset import make_code
from nolbet.gardens.models import Garden
from tests.browser.gardens import warned
from tests.server.test_account import PASSWORD, sign_in

pytestmark = pytest.mark.browser


def test_another_device_is_signed_out_and_everything_taken_out_before_leaving(
    app: Page, home: str, gardener: User, garden: Garden
) -> None:
    phone = Client(headers={"User-Agent": "Something (a phone) Mobile"})
    sign_in(phone, "gardener", PASSWORD)
    app.goto(f"{home}/gardens")
    app.get_by_role("button", name="Where you are signed in").click()
    there = app.locator("[data-part=sessions] li").filter(has_text="A phone")
    there.get_by_role("button", name="Sign it out").click()
    expect(there).to_have_count(0)
    assert phone.get("/api/gardens").status_code == 401
    with app.expect_download() as taken:
        app.get_by_role("link", name="Take everything out").click()
    with zipfile.ZipFile(taken.value.path()) as archive:
        assert [name.split("/")[0] for name in archive.namelist()] == ["account.json", "gardens"]
    app.get_by_role("button", name="Delete the account").click()
    app.get_by_label("Password").fill("something else")
    app.get_by_role("button", name="Delete the account in a week").click()
    warned(app, "is not the password there is now")
    app.get_by_label("Password").fill(PASSWORD)
    app.get_by_role("button", name="Delete the account in a week").click()
    expect(app.get_by_text("This account is deleted on").first).to_be_visible()
    assert Leaving.objects.get().asked_at > timezone.now() - timedelta(minutes=1)
    app.get_by_role("button", name="Keep it after all").first.click()
    expect(app.get_by_text("This account is deleted on")).to_have_count(0)
    assert not Leaving.objects.exists()


def test_a_forgotten_password_is_set_anew_by_a_code(page: Page, home: str, gardener: User, garden: Garden) -> None:
    code = make_code(gardener, timezone.now(), timedelta(days=1))
    page.goto(f"{home}/sign-in")
    page.get_by_role("button", name="Password forgotten").click()
    page.get_by_label("Name", exact=True).fill("gardener")
    page.get_by_role("button", name="Send me a code").click()
    expect(page.get_by_text("a code is on its way there")).to_be_visible()
    page.get_by_label("Code").fill("ABCD-EFGH")
    page.get_by_label("New password").fill("garden123456")
    page.get_by_role("button", name="Set it and sign in").click()
    warned(page, "too common")
    page.get_by_label("New password").fill("quite another phrase")
    page.get_by_role("button", name="Set it and sign in").click()
    warned(page, "is none for this name")
    page.get_by_label("Code").fill(code)
    page.get_by_role("button", name="Set it and sign in").click()
    expect(page.get_by_role("button", name="Set it and sign in")).to_have_count(0)
    page.goto(f"{home}/gardens")
    expect(page.get_by_label("Name of Test ground")).to_be_visible()
