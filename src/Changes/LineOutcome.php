<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Core\Changes\Verdict;

/** What became of a line of a stored change list. */
final readonly class LineOutcome
{
    /**
     * @param list<array{code: string, values: object}> $reasons
     * @param ?string                                   $line    id of the applied line
     */
    private function __construct(public Verdict $verdict, public array $reasons, public ?string $line) {}

    public static function of(LineAnswer $answer): self
    {
        return new self(
            $answer->verdict,
            [] === $answer->reasons ? $answer->cautions : $answer->reasons,
            $answer->stored?->line,
        );
    }

    public static function refused(string $code, string $detail = ''): self
    {
        $values = (object) ('' === $detail ? [] : ['detail' => $detail]);

        return new self(Verdict::Refused, [['code' => $code, 'values' => $values]], null);
    }
}
