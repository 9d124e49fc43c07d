import uuid

from django.db import migrations, models


def stamp_each(apps, schema_editor):
    """Give every garden a stamp of its own: one default for all rows would share what is gathered."""
    for garden in apps.get_model("gardens", "Garden").objects.all():
        garden.shelf_stamp = uuid.uuid4()
        garden.save(update_fields=["shelf_stamp"])


class Migration(migrations.Migration):
    dependencies = [("gardens", "0001_initial")]

    operations = [
        migrations.AddField(
            model_name="garden",
            name="shelf_stamp",
            field=models.UUIDField(default=uuid.uuid4, editable=False),
        ),
        migrations.RunPython(stamp_each, migrations.RunPython.noop),
    ]
