"""Sessions are kept with whose they are; the table they were kept in before goes, so that nothing opens with it."""

from django.db import migrations


class Migration(migrations.Migration):
    dependencies = [("account", "0001_initial")]

    operations = [
        migrations.RunSQL("DROP TABLE IF EXISTS django_session", migrations.RunSQL.noop),
    ]
