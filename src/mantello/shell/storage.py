"""Static files with hashed names, the imports inside JavaScript modules included."""

from whitenoise.storage import CompressedManifestStaticFilesStorage


class ModuleStorage(CompressedManifestStaticFilesStorage):
    """Hashed and compressed files; native modules keep finding each other."""

    support_js_module_import_aggregation = True
