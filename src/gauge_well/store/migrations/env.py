"""Alembic environment: online only."""

from alembic import context
from sqlalchemy import create_engine

from gauge_well.store.models import Base

url = context.config.get_main_option("sqlalchemy.url")
assert url is not None
engine = create_engine(url)
try:
    with engine.connect() as connection:
        context.configure(connection=connection, target_metadata=Base.metadata)
        with context.begin_transaction():
            # Two starts at once must not both migrate.
            connection.exec_driver_sql("SELECT pg_advisory_xact_lock(710243)")
            context.run_migrations()
finally:
    engine.dispose()
