<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Intake\Lists;

/** Who is called what in the town, in the spelling of `Plain`. */
final class Renown
{
    /** @var array<string, array<int, true>> whole names => who is called so in full */
    private array $full = [];

    /** @var array<string, array<int, true>> whole recorded names */
    private array $whole = [];

    /** @var array<string, array<int, true>> names in part => who may be called so */
    private array $weak = [];

    /** @var array<string, array<int, true>> skeletons of a given and a family name => whose they are */
    private array $near = [];

    /** @param Part $for the lists that are written by it */
    public function __construct(public readonly Town $town, private readonly Part $for = Part::Work)
    {
        foreach ($town->people as $at => $person) {
            [$givens, $families] = [$this->givens($person), $this->families($person)];
            $pairs = [...$this->pairs($givens, $families)];
            foreach ($person->further as $name) {
                $pairs[] = [
                    '' === $name['given'] ? $person->given[0] : $name['given'],
                    '' === $name['family'] ? $person->family : $name['family'],
                ];
            }
            foreach ($pairs as [$given, $family]) {
                $this->full[self::key($given, $family)][$at] = true;
            }
            $this->whole[self::key($person->givenNames(), $person->family)][$at] = true;
            $parts = array_merge(
                $families,
                ...array_map(
                    static fn(string $family): array => preg_split('/[\s-]+/', Plain::withoutParticles($family)) ?: [],
                    $families,
                ),
            );
            $words = array_merge($givens, $person->given);
            $initials = array_map(static fn(string $given): string => mb_substr(Plain::bare($given), 0, 1), $words);
            foreach ($this->pairs([...$words, ...$initials], $parts) as [$given, $family]) {
                $this->weak[self::key($given, $family)][$at] = true;
            }
            foreach ($this->pairs($words, $parts) as [$given, $family]) {
                $this->near[Plain::skeleton($given).'|'.Plain::skeleton($family)][$at] = true;
            }
        }
    }

    /** @return list<int> whom somebody who writes so may name in full */
    public function inFull(string $given, string $family): array
    {
        return array_keys($this->full[self::key($given, $family)] ?? []);
    }

    public function isWhole(int $at, string $given, string $family): bool
    {
        return isset($this->whole[self::key($given, $family)][$at]);
    }

    /** @return list<int> whom somebody who writes so may name at all, also the other way round */
    public function atAll(string $given, string $family): array
    {
        $found = [];
        foreach ([[$given, $family], [$family, $given]] as [$one, $other]) {
            $found += $this->full[self::key($one, $other)] ?? [];
            $found += $this->weak[self::key($one, $other)] ?? [];
        }

        return array_keys($found);
    }

    /** @return list<int> whose names are much like these */
    public function near(string $given, string $family): array
    {
        $found = [];
        foreach (preg_split('/[\s-]+/', $given) ?: [] as $one) {
            foreach (preg_split('/[\s-]+/', Plain::withoutParticles($family)) ?: [] as $other) {
                $found += $this->near[Plain::skeleton($one).'|'.Plain::skeleton($other)] ?? [];
            }
        }

        return array_keys($found);
    }

    /** @return list<string> what somebody is called in front of a family name */
    private function givens(Resident $person): array
    {
        $short = [];
        foreach ($this->for->short() as $table) {
            $short = [...$short, ...array_filter(explode(' ', $table[$person->given[0]] ?? ''))];
        }

        return array_values(
            array_unique([
                $person->givenNames(),
                implode('', $person->given),
                $person->given[0],
                ...null === $person->preferred ? [] : [$person->preferred],
                ...$short,
            ]),
        );
    }

    /** @return list<string> */
    private function families(Resident $person): array
    {
        $families = [$person->family];
        foreach ($person->further as $name) {
            '' === $name['family'] || 'former' !== $name['kind'] || ($families[] = $name['family']);
        }
        foreach ($families as $family) {
            $families[] = Plain::withoutParticles($family);
            $families[] = str_replace([' ', '-', '\''], '', $family);
        }

        return array_values(array_unique($families));
    }

    /**
     * @param list<string> $givens
     * @param list<string> $families
     *
     * @return list<array{string, string}>
     */
    private function pairs(array $givens, array $families): array
    {
        $pairs = [];
        foreach (array_filter($givens) as $given) {
            foreach (array_filter($families) as $family) {
                $pairs[] = [$given, $family];
            }
        }

        return $pairs;
    }

    private static function key(string $given, string $family): string
    {
        return Plain::words($given).'|'.Plain::words($family);
    }
}
