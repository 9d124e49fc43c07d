"""HEAD is answered wherever GET is: by the same headers, without the body."""

from __future__ import annotations

from collections.abc import Callable

from django.http import HttpRequest, HttpResponse, StreamingHttpResponse

Answer = Callable[[HttpRequest], HttpResponse | StreamingHttpResponse]


def answers_heads(get_response: Answer) -> Answer:
    """Ask for what GET would answer, and leave its body out."""

    def answer(request: HttpRequest) -> HttpResponse | StreamingHttpResponse:
        if request.method != "HEAD":
            return get_response(request)
        request.method = "GET"
        response = get_response(request)
        if isinstance(response, StreamingHttpResponse):
            # what would be worked out bit by bit isn't begun
            response.streaming_content = iter(())
            return response
        length = len(response.content)
        response.content = b""
        response["Content-Length"] = str(length)
        return response

    return answer
