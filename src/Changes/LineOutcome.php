<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Core\Changes\Verdict;
use MintDoor\Shared\Said;

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

    /** @param ?Said $said why, where no code of its own stands for it: kept as it is, said to whoever reads it */
    public static function refused(string $code, ?Said $said = null): self
    {
        $values = (object) (null === $said ? [] : ['said' => $said->key, ...$said->values]);

        return new self(Verdict::Refused, [['code' => $code, 'values' => $values]], null);
    }
}
