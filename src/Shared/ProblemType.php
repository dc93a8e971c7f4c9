<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** The register of problem types (RFC 9457): every error the interface answers with is one of these. */
enum ProblemType: string
{
    case Malformed = 'malformed';
    case BadCursor = 'bad-cursor';
    case NotSignedIn = 'not-signed-in';
    case SignInFailed = 'sign-in-failed';
    case TooManyTries = 'too-many-tries';
    case ForeignOrigin = 'foreign-origin';
    case NotAllowed = 'not-allowed';
    case PasswordWanted = 'password-wanted';
    case NotFound = 'not-found';
    case MethodNotAllowed = 'method-not-allowed';
    case NotReady = 'line-not-ready';
    case NeedsLead = 'site-needs-lead';
    case ManyRemoved = 'many-removed';
    case ChangedSince = 'changed-since';
    case UndoneAlready = 'undone-already';
    case Stale = 'stale';
    case UnsupportedMediaType = 'unsupported-media-type';
    case Invalid = 'invalid';
    case KeyReused = 'idempotency-key-reused';
    case NeedsVersion = 'needs-version';
    case LinkIsOver = 'link-is-over';
    case NoWayIn = 'no-way-in';
    case TooLarge = 'too-large';
    /** Others hold what is wanted for longer than anybody should wait. */
    case Busy = 'busy';
    case Unexpected = 'unexpected';
    /** It was to be written for good, and no answer came: the same request under the same key says what came of it. */
    case UnknownOutcome = 'unknown-outcome';
    /** Answered by nginx when nothing behind it does (`config/serve/nginx.conf`). */
    case Away = 'away';

    public function status(): int
    {
        return match ($this) {
            self::Malformed => 400,
            self::NotSignedIn, self::SignInFailed => 401,
            self::NotAllowed, self::ForeignOrigin, self::PasswordWanted => 403,
            self::NotFound => 404,
            self::MethodNotAllowed => 405,
            self::NotReady,
            self::NeedsLead,
            self::ManyRemoved,
            self::ChangedSince,
            self::UndoneAlready,
            self::NoWayIn =>
                409,
            self::LinkIsOver => 410,
            self::Stale => 412,
            self::TooLarge => 413,
            self::UnsupportedMediaType => 415,
            self::Invalid, self::KeyReused, self::BadCursor => 422,
            self::NeedsVersion => 428,
            self::TooManyTries => 429,
            self::Unexpected => 500,
            self::Busy, self::UnknownOutcome, self::Away => 503,
        };
    }
}
