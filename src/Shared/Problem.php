<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** Thrown anywhere, answered as a problem document (RFC 9457). Rolls back what it is thrown through. */
final class Problem extends \RuntimeException
{
    /**
     * @param string                                                        $detail a sentence a person can act on
     * @param list<array{pointer: string, code: string, detail: string}>   $errors what is wrong where, as JSON pointers
     *     into the body
     * @param array<string, mixed>                                          $more   further members
     */
    public function __construct(
        public readonly ProblemType $type,
        public readonly string $detail,
        public readonly array $errors = [],
        public readonly array $more = [],
        public readonly ?int $retryAfter = null,
    ) {
        parent::__construct($detail);
    }

    public static function field(string $pointer, string $code, string $detail): self
    {
        return new self(ProblemType::Invalid, $detail, [['pointer' => $pointer, 'code' => $code, 'detail' => $detail]]);
    }

    public static function notFound(string $what = 'This page'): self
    {
        return new self(
            ProblemType::NotFound,
            $what.' is not here, or you have nothing to do with it. Check the address, or go back to your sites.',
        );
    }

    public static function notAllowed(string $detail): self
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
                ? \sprintf(
                    'Paste %s at most at once, and the rest, from line %s on, after.',
                    number_format($most),
                    number_format($row),
                )
                : \sprintf(
                    'Line %s is too long to be about one person. Put each person on a line of their own.',
                    number_format($row),
                ),
        );
    }

    /** The database cannot at the moment; nothing of it was done. */
    public static function away(): self
    {
        return new self(
            ProblemType::Away,
            'The server cannot do this at the moment. Nothing was changed. Try again in a few seconds.',
            retryAfter: 2,
        );
    }

    /** Others are at work on the same; it is worth another try. */
    public static function busy(): self
    {
        return new self(
            ProblemType::Busy,
            'Others are changing the same at this moment. Nothing was done. Try again in a few seconds.',
            retryAfter: 2,
        );
    }

    /** @return array<string, mixed> */
    public function document(): array
    {
        return [
            'type' => 'urn:mint-door:problem:'.$this->type->value,
            'title' => $this->type->title(),
            'status' => $this->type->status(),
            'detail' => $this->detail,
            ...[] === $this->errors ? [] : ['errors' => $this->errors],
            ...$this->more,
        ];
    }

    public function response(): Answer
    {
        $answer = new Answer($this->document(), $this->type->status(), ['Content-Type' => 'application/problem+json']);
        if (null !== $this->retryAfter) {
            $answer->headers->set('Retry-After', (string) $this->retryAfter);
        }

        return $answer;
    }
}
