<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** Thrown anywhere, answered as a problem document (RFC 9457). Rolls back what it is thrown through. */
final class Problem extends \RuntimeException
{
    public readonly Said $said;

    /**
     * @param string|Said          $detail the key of a sentence a person can act on
     * @param list<Wrong>          $errors what is wrong where
     * @param array<string, mixed> $more   further members
     */
    public function __construct(
        public readonly ProblemType $type,
        string|Said $detail,
        public readonly array $errors = [],
        public readonly array $more = [],
        public readonly ?int $retryAfter = null,
    ) {
        $this->said = Said::of($detail);
        parent::__construct($this->said->key);
    }

    public static function field(string $pointer, string $code, string|Said $detail): self
    {
        return new self(ProblemType::Invalid, $detail, [new Wrong($pointer, $code, $detail)]);
    }

    /** @param string $what what is not there: a key under `shared.not-found` */
    public static function notFound(string $what = 'page'): self
    {
        return new self(ProblemType::NotFound, 'shared.not-found.'.$what);
    }

    public static function notAllowed(string|Said $detail): self
    {
        return new self(ProblemType::NotAllowed, $detail);
    }

    /**
     * More rows, or a longer one, than is read at once.
     *
     * @param string $code "too-many" or "too-long"
     * @param int    $row  the first that is too much
     */
    public static function tooMuch(string $code, int $row, int $most): self
    {
        return self::field(
            '/text',
            $code,
            'too-many' === $code
                ? Said::with('shared.rows-at-once', most: $most, row: $row)
                : Said::with('shared.row-too-long', row: $row),
        );
    }

    /** The database cannot at the moment; nothing of it was done. */
    public static function away(): self
    {
        return new self(
            ProblemType::Away,
            'shared.server-cannot-moment-nothing',
            retryAfter: 2,
        );
    }

    /** Others are at work on the same; it is worth another try. */
    public static function busy(): self
    {
        return new self(
            ProblemType::Busy,
            'shared.others-changing-same-moment',
            retryAfter: 2,
        );
    }
}
