import uuid
from django.db import migrations, models


def stamp_each(apps, schema_editor):
    """Give every garden a stamp of its own: one default for all rows would share what is worked out."""
    for garden in apps.get_model("gardens", "Garden").objects.all():
        garden.head_stamp = uuid.uuid4()
        garden.save(update_fields=["head_stamp"])


class Migration(migrations.Migration):

    dependencies = [
        ('gardens', '0006_normals'),
    ]

    operations = [
        migrations.AddField(
            model_name='garden',
            name='changes',
            field=models.PositiveBigIntegerField(default=0),
        ),
        migrations.AddField(
            model_name='garden',
            name='head_revision',
            field=models.PositiveIntegerField(default=0),
        ),
        migrations.AddField(
            model_name='garden',
            name='head_stamp',
            field=models.UUIDField(default=uuid.uuid4, editable=False),
        ),
        migrations.AddField(
            model_name='garden',
            name='plot_edition',
            field=models.PositiveIntegerField(default=1),
        ),
        migrations.AlterField(
            model_name='bed',
            name='cut_version',
            field=models.PositiveIntegerField(default=2),
        ),
        migrations.AlterField(
            model_name='bedversion',
            name='cut_version',
            field=models.PositiveIntegerField(default=2),
        ),
        migrations.RunPython(stamp_each, migrations.RunPython.noop),
    ]
