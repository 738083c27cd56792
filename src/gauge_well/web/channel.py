"""The web server with a clock on what comes in: slow headers and bodies are cut off, and hold no thread meanwhile."""

from __future__ import annotations

import logging
import socket
import time
from collections.abc import Mapping
from typing import Any

from waitress.adjustments import Adjustments
from waitress.channel import HTTPChannel
from waitress.server import TcpWSGIServer
from waitress.task import ThreadedTaskDispatcher

THREADS = 16
READ_SECONDS = 20.0  # from a request's first byte to its last
KEPT_SECONDS = 30  # a connection nothing comes over
CONNECTIONS = 800
BODY_BYTES = 16 * 1024 * 1024  # more is cut off here; the routes themselves take much less, and say so


# That a request waits for a thread is no news for a log.
logging.getLogger("waitress.queue").setLevel(logging.ERROR)


class TimedChannel(HTTPChannel):
    """A connection that knows when the request it is reading began."""

    began: float | None = None

    def received(self, data: bytes) -> bool:
        """Take what came."""
        taken = bool(super().received(data))
        if self.request is None:
            self.began = None
        elif self.began is None:
            self.began = time.monotonic()
        return taken


class TimedServer(TcpWSGIServer):
    """Closes connections whose request takes too long to come."""

    channel_class = TimedChannel

    def maintenance(self, now: int) -> None:
        """Close what is idle, and what is slow."""
        super().maintenance(now)
        oldest = time.monotonic() - READ_SECONDS
        channels: Mapping[int, TimedChannel] = self.active_channels  # type: ignore[assignment]
        for channel in channels.values():
            if channel.began is not None and channel.began < oldest:
                channel.will_close = True


def server_of(application: Any, listening: socket.socket) -> TimedServer:
    """A server of an application on a socket that listens already; ``run`` it."""
    settings = Adjustments(
        sockets=[listening],
        threads=THREADS,
        connection_limit=CONNECTIONS,
        channel_timeout=KEPT_SECONDS,
        cleanup_interval=2,
        channel_request_lookahead=1,
        max_request_body_size=BODY_BYTES,
        asyncore_use_poll=True,
        ident=None,
    )
    threads = ThreadedTaskDispatcher()
    threads.set_thread_count(THREADS)
    where = (listening.family, listening.type, listening.proto, listening.getsockname())
    return TimedServer(
        application, {}, _sock=listening, dispatcher=threads, adj=settings, bind_socket=False, sockinfo=where
    )
