<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

/**
 * Those who come into question for some line, to be looked up.
 *
 * @internal
 */
final readonly class KnownPeople
{
    /** @var array<string, list<int>> */
    private array $identifiers;

    /** @var array<string, list<int>> */
    private array $locals;

    /** @var array<string, list<int>> */
    private array $keys;

    /** @var array<string, int> */
    private array $ids;

    /** @var array<string, true> */
    private array $givens;

    /** @param list<Known> $people */
    public function __construct(public array $people)
    {
        $identifiers = $locals = $keys = $ids = $givens = [];
        foreach ($people as $at => $known) {
            $ids[$known->person->id] = $at;
            $givens += array_fill_keys([...$known->given, ...$known->preferred], true);
            foreach ($known->identifiers as $identifier) {
                $identifiers[$identifier][] = $at;
                if (str_contains($identifier, '@')) {
                    $locals[strstr($identifier, '@', true) ?: ''][] = $at;
                }
            }
            foreach ($known->keys() as $key) {
                $keys[$key][] = $at;
            }
        }
        [$this->identifiers, $this->locals, $this->keys] = [$identifiers, $locals, $keys];
        [$this->ids, $this->givens] = [$ids, $givens];
    }

    /** @return list<int> */
    public function byIdentifier(string $identifier): array
    {
        return $this->identifiers[$identifier] ?? [];
    }

    /** @return list<int> */
    public function byLocalPart(string $local): array
    {
        return $this->locals[$local] ?? [];
    }

    /** @return list<int> */
    public function byKey(string $pair): array
    {
        return $this->keys[$pair] ?? [];
    }

    /** Whether somebody has it for a given name. */
    public function isGiven(string $word): bool
    {
        return isset($this->givens[$word]);
    }

    public function byId(string $person): ?int
    {
        return $this->ids[$person] ?? null;
    }
}
