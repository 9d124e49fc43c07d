"""The API: one router for each word of the work, and one way to tell errors."""

from __future__ import annotations

from ninja import NinjaAPI
from ninja.security import SessionAuth

from nolbet.api.account import router as account_router
from nolbet.api.beds import router as beds_router
from nolbet.api.blend import router as blend_router
from nolbet.api.climates import router as climates_router
from nolbet.api.figure import router as figure_router
from nolbet.api.files import router as files_router
from nolbet.api.forecast import router as forecast_router
from nolbet.api.gardens import router as gardens_router
from nolbet.api.haul import router as haul_router
from nolbet.api.looking import router as looking_router
from nolbet.api.own_account import router as own_account_router
from nolbet.api.planting import router as planting_router
from nolbet.api.plot import router as plot_router
from nolbet.api.prices import router as prices_router
from nolbet.api.problems import map_errors
from nolbet.api.quantities import router as quantities_router
from nolbet.api.raw import router as raw_router
from nolbet.api.season import router as season_router
from nolbet.api.sharing import looked_at as looked_at_router
from nolbet.api.sharing import router as sharing_router
from nolbet.api.shelf import router as shelf_router
from nolbet.api.sizing import router as sizing_router
from nolbet.api.sure import router as sure_router
from nolbet.api.water import router as water_router
from nolbet.api.wishes import router as wishes_router
from nolbet.api.works import router as works_router

api = NinjaAPI(title="Nolbet", version="1", auth=SessionAuth(csrf=True), docs_url=None, openapi_url=None)
map_errors(api)
api.add_router("/account", account_router)
api.add_router("/account", own_account_router)
api.add_router("/climates", climates_router)
api.add_router("/gardens", files_router)
api.add_router("/gardens", gardens_router)
api.add_router("/gardens", beds_router)
api.add_router("/gardens", figure_router)
api.add_router("/gardens", forecast_router)
api.add_router("/gardens", plot_router)
api.add_router("/gardens", sizing_router)
api.add_router("/gardens", haul_router)
api.add_router("/gardens", looking_router)
api.add_router("/gardens", prices_router)
api.add_router("/quantities", quantities_router)
api.add_router("/gardens", shelf_router)
api.add_router("/gardens", blend_router)
api.add_router("/gardens", raw_router)
api.add_router("/gardens", water_router)
api.add_router("/gardens", works_router)
api.add_router("/gardens", season_router)
api.add_router("/gardens", planting_router)
api.add_router("/gardens", sure_router)
api.add_router("/gardens", wishes_router)
api.add_router("/gardens", sharing_router)
api.add_router("/shared", looked_at_router)
