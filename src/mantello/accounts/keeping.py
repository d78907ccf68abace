"""What a signed-in painter is shown is kept by no cache, neither on the way nor in the browser after signing out."""


class NotKept:
    """Pages for the signed-in, and those that lead there, are private and not stored; pictures say for themselves."""

    def __init__(self, get_response):
        self.get_response = get_response

    def __call__(self, request):
        response = self.get_response(request)
        if "Cache-Control" not in response.headers and (
            request.user.is_authenticated or request.path.startswith("/account/")
        ):
            response.headers["Cache-Control"] = "private, no-store"
        return response
