<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Intake\Lists;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** Writes one part of the lists. Whom a line means is settled first, by the rules in the README beside this. */
final class Scribe
{
    /** Lines of each kind in a part, outside tables. */
    private const EACH = 26;

    private const TABLES = 12;

    private const PARTICLES = ['Le', 'Do', 'Du', 'Das', 'Van', 'La'];

    private const ORDINARY = ['Page', 'Best', 'Dear', 'Young', 'List', 'Day', 'Week', 'March', 'First', 'Number',
        'Course', 'Class', 'Late', 'Winter', 'Friday', 'Nummer'];

    /** Keys beside one another. */
    private const KEYS = ['a' => 's', 's' => 'a', 'e' => 'r', 'r' => 'e', 'o' => 'i', 'i' => 'o', 'n' => 'm',
        'm' => 'n', 't' => 'r', 'l' => 'k', 'k' => 'l', 'u' => 'z', 'd' => 'f', 'g' => 'h', 'h' => 'g', 'b' => 'v'];

    private Randomizer $random;

    private Town $town;

    private string $division = '';

    /** @var array{int, int} */
    private array $levels = [0, 0];

    /** @var list<string> */
    private array $kinds = [];

    /** @var list<int> whom the site is for */
    private array $fitting = [];

    /** @var array<int, true> named on this list already */
    private array $taken = [];

    /** @var array<string, list<string>|array<string, list<string>>> */
    private array $phrases;

    public function __construct(private readonly Renown $renown, private readonly Part $part)
    {
        $this->town = $renown->town;
        $this->random = new Randomizer(new Mt19937($part->seed()));
        $this->phrases = $part->phrases();
    }

    /** @return list<WholeList> the same each time */
    public function lists(): array
    {
        $kinds = $this->kinds();
        $deck = [];
        foreach (array_keys($kinds) as $kind) {
            $deck = [...$deck, ...array_fill(0, self::EACH, $kind)];
        }
        $deck = $this->random->shuffleArray($deck);
        $lists = [];
        for ($passes = 0; [] !== $deck && $passes < 400; ++$passes) {
            $this->open();
            $lines = $left = [];
            $size = $this->chance(8) ? $this->random->getInt(90, 140) : $this->random->getInt(4, 44);
            foreach (array_splice($deck, 0, $size) as $kind) {
                $line = $this->attempt($kind, $kinds[$kind]);
                null === $line ? ($left[] = $kind) : ($lines[] = $line);
            }
            $deck = [...$deck, ...$left];
            [] === $lines || ($lists[] = $this->close($this->repeating($lines)));
        }
        for ($n = 0; $n < self::TABLES; ++$n) {
            $this->open();
            $lists[] = $this->close($this->repeating($this->table()));
        }

        return $lists;
    }

    /** What the next list is for. */
    private function open(): void
    {
        $this->division = $this->pick(['lower', 'upper', 'upper', 'dusk', 'summer']);
        [$lowest, $highest] = Town::LEVELS[$this->division];
        $from = $this->random->getInt($lowest, $highest);
        $this->levels = [$from, $this->random->getInt($from, $highest)];
        $this->kinds = $this->chance(70) ? ['learner'] : ['learner', 'staff'];
        $this->taken = [];
        $this->fitting = array_values(array_filter(array_keys($this->town->people), $this->fits(...)));
    }

    /**
     * @param list<Line> $lines
     */
    private function close(array $lines): WholeList
    {
        $nobody = fn(string $where): Line => new Line('nobody', $this->say($where), [new Label('nobody')]);
        $all = [];
        for ($n = $this->random->getInt(0, 4); $n > 0; --$n) {
            $all[] = $nobody('above');
        }
        foreach ($lines as $at => $line) {
            0 === $at || !$this->chance(7) || ($all[] = $nobody('between'));
            $all[] = $line;
        }
        for ($n = $this->random->getInt(0, 1); $n > 0; --$n) {
            $all[] = $nobody('below');
        }
        if ($this->chance(55)) {
            $all[] = new Line('nobody', $this->say('closings'), [new Label('nobody')]);
            $writer = $this->chance(60)
                ? $this->somebody(static fn(Resident $one): bool => 'guild' === $one->division)
                : $this->random->getInt(0, Town::SIZE - 1);
            $all[] = new Line('signature', $this->town->people[$writer]->name(), [new Label('nobody')]);
            $this->chance(50) && ($all[] = new Line('signature', $this->say('offices'), [new Label('nobody')]));
        }

        return new WholeList($this->division, $this->levels, $this->kinds, $all);
    }

    /**
     * @param callable(int, Resident): ?array{string, list<Label>} $write
     */
    private function attempt(string $kind, callable $write): ?Line
    {
        for ($tries = 0; $tries < 300; ++$tries) {
            $at = $this->chance(72) && [] !== $this->fitting
                ? $this->pick($this->fitting)
                : $this->random->getInt(0, Town::SIZE - 1);
            if (isset($this->taken[$at])) {
                continue;
            }
            $written = $write($at, $this->town->people[$at]);
            if (null !== $written && '' !== trim($written[0])) {
                $this->taken[$at] = true;
                foreach ($written[1] as $label) {
                    '' === $label->who || ($this->taken[(int) substr($label->who, 1)] = true);
                }

                return new Line($kind, $written[0], $written[1]);
            }
        }

        return null;
    }

    /**
     * Some of those who were named come a second time, in another way.
     *
     * @param list<Line> $lines
     *
     * @return list<Line>
     */
    private function repeating(array $lines): array
    {
        $all = [];
        $waiting = [];
        foreach ($lines as $line) {
            $all[] = $line;
            if (1 === \count($line->labels) && 'person' === $line->labels[0]->type && $this->chance(5)) {
                $waiting[] = (int) substr($line->labels[0]->who, 1);
            }
            if ([] !== $waiting && $this->chance(25)) {
                $all[] = $this->repeat((int) array_shift($waiting));
            }
        }

        return [...$all, ...array_map($this->repeat(...), $waiting)];
    }

    private function repeat(int $at): Line
    {
        $person = $this->town->people[$at];
        $label = $this->named($at, $person->givenNames(), $person->family, sole: true);
        $ways = array_filter([
            $person->number,
            $person->email,
            $person->login,
            null === $person->email ? null : $person->givenNames().' <'.$person->email.'>',
            ...'person' === $label?->type
                ? [$person->name(), mb_strtoupper($person->family).', '.$person->givenNames(), Plain::bare(
                    $person->name()
                )]
                : [],
        ]);

        return new Line('repeat', $this->pick(array_values($ways)), [new Label('repeat', $person->id)]);
    }

    /**
     * The label of a line that names somebody so, by rules 1 to 5; null where the rules leave it open.
     *
     * @param bool                      $weak   an initial, a slip, a part of a name
     * @param bool                      $sole   whether the line is only written where nobody else is called so
     * @param bool                      $unread whether something stands beside the name
     * @param ?callable(Resident): bool $hint   what else the line says of them
     */
    private function named(
        int $at,
        string $given,
        string $family,
        bool $weak = false,
        bool $sole = false,
        bool $unread = false,
        ?callable $hint = null,
    ): ?Label {
        $id = $this->town->people[$at]->id;
        $full = array_filter($this->renown->inFull($given, $family), $this->competes(...));
        $maybe = $this->renown->atAll($given, $family);
        if ($weak) {
            $maybe = [...$maybe, ...$this->renown->near($given, $family)];
        }
        $others = array_diff(array_filter($maybe, $this->competes(...)), [$at]);
        if (!$this->competes($at)) {
            return [] === $full && [] === $others && !$weak ? new Label('ask', $id) : null;
        }
        if ($weak) {
            return [] === array_diff([...$others, ...$full], [$at])
                ? new Label($this->fits($at) ? 'person' : 'ask', $id)
                : null;
        }
        if (!\in_array($at, $full, true) || ($sole && \count($full) > 1)) {
            return null;
        }
        if ([] !== array_diff($others, $full) && !$this->renown->isWhole($at, $given, $family)) {
            return null;
        }
        if (1 === \count($full)) {
            return null === $hint || $hint($this->town->people[$at]) ? new Label('person', $id) : null;
        }
        if (null !== $hint) {
            $meant = array_filter($full, fn(int $each): bool => $hint($this->town->people[$each]));

            return \in_array($at, $meant, true) ? new Label(1 === \count($meant) ? 'person' : 'ask', $id) : null;
        }
        $here = array_values(array_filter($full, $this->fits(...)));
        if (!$unread && 1 === \count($here)) {
            return $here[0] === $at ? new Label('person', $id) : null;
        }

        return new Label('ask', $id);
    }

    private function competes(int $at): bool
    {
        $person = $this->town->people[$at];

        return $person->open && \in_array($person->kind, $this->kinds, true);
    }

    private function fits(int $at): bool
    {
        $person = $this->town->people[$at];

        return $this->competes($at)
            && $person->division === $this->division
            && null !== $person->level
            && $person->level >= $this->levels[0]
            && $person->level <= $this->levels[1];
    }

    /** @return array<string, callable(int, Resident): ?array{string, list<Label>}> */
    private function kinds(): array
    {
        return [...$this->plainly(), ...$this->remarked(), ...$this->identified(), ...$this->severally(),
            ...$this->otherwise(), ...$this->renamed(), ...$this->contested()];
    }

    /** @return array<string, callable(int, Resident): ?array{string, list<Label>}> */
    private function plainly(): array
    {
        $write = fn(callable $how): callable => function (int $at, Resident $one) use ($how): ?array {
            $given = $this->chance(60) ? $one->givenNames() : $one->given[0];
            $text = $how($given, $one->family);
            $label = null === $text ? null : $this->named($at, $given, $one->family);

            return null === $label ? null : [$text, [$label]];
        };

        return [
            'given and family name' => $write(static fn(string $g, string $f): string => "$g $f"),
            'family name, given name' => $write(static fn(string $g, string $f): string => "$f, $g"),
            'family name in capitals' => $write(
                fn(string $g, string $f): string => $this->chance(50)
                    ? mb_strtoupper($f).' '.$g
                    : $g.' '.mb_strtoupper($f),
            ),
            'small letters without accents' => $write(
                static fn(string $g, string $f): string => mb_strtolower(Plain::bare("$g $f")),
            ),
            'two letters for one' => $write(static function (string $g, string $f): ?string {
                $text = Plain::twoLetters("$g $f");

                return $text === "$g $f" ? null : $text;
            }),
            'title' => $write(fn(string $g, string $f): string => \sprintf($this->say('titles'), "$g $f")),
            'blanks and dashes nobody sees' => $write(
                fn(string $g, string $f): string => $this->pick(["\u{FEFF}", "\u{200B}", ' '])
                    .str_replace(' ', $this->pick(["\u{00A0}", '  ', "\u{202F}", " \u{200E}"]), "$g $f")
                    .$this->pick(["\u{200B}", ' ', "\u{00AD}"]),
            ),
            'quotation marks and stops' => $write(
                fn(string $g, string $f): string => \sprintf(
                    $this->pick(['"%s"', '%s.', '%s;', '„%s“', '%s ,', '\'%s\'', '- %s,', '%s  .']),
                    "$g $f",
                ),
            ),
            'broken letters' => $write(static function (string $g, string $f): ?string {
                $broken = mb_convert_encoding("$g $f", 'UTF-8', 'ISO-8859-1');

                return preg_match('/[\x{80}-\x{9F}]/u', $broken) || $broken === "$g $f" ? null : $broken;
            }),
        ];
    }

    /** @return array<string, callable(int, Resident): ?array{string, list<Label>}> */
    private function remarked(): array
    {
        $write = fn(callable $how): callable => function (int $at, Resident $one) use ($how): ?array {
            $given = $this->chance(50) ? $one->givenNames() : $one->given[0];
            $label = $this->named($at, $given, $one->family, sole: true);

            return null === $label || !$this->competes($at) ? null : [$how("$given $one->family"), [$label]];
        };
        $behind = fn(string $what): callable => $write(
            fn(string $name): string => \sprintf($this->say('behind'), $name, $this->say($what)),
        );

        return [
            'instrument behind' => $behind('instruments'),
            'remark behind' => $behind('remarks'),
            'remark in front' => $write(fn(string $name): string => \sprintf($this->say('before'), $name)),
            'grade behind' => $write(fn(string $name): string => $name.$this->pick([' ', ', ', "\t", ' - '])
                .$this->say('grades')),
            'date behind' => $write(fn(string $name): string => $name.$this->pick([' ', ', ', "\t", ' – '])
                .$this->say('dates')),
            'telephone number behind' => $write(fn(string $name): string => $name.$this->pick([' ', ', ', "\t", '; '])
                .$this->say('phones')),
            'tick' => $write(fn(string $name): string => \sprintf($this->say('ticks'), $name)),
            'bullet or number in front' => $write(fn(string $name): string => \sprintf($this->say('bullets'), $name)),
            'small number beside' => $write(
                fn(string $name): string => $name.$this->pick([' ', ' (', "\t"]).$this->random->getInt(11, 60),
            ),
            'several remarks' => $write(
                fn(string $name): string => \sprintf($this->say('bullets'), $name)
                    .$this->pick([' (', ' - ', ', '])
                    .$this->say('instruments')
                    .$this->pick([', ', ' / ', '; '])
                    .$this->say('remarks'),
            ),
        ];
    }

    /** @return array<string, callable(int, Resident): ?array{string, list<Label>}> */
    private function identified(): array
    {
        $of = static fn(callable $how): callable => static function (int $at, Resident $one) use ($how): ?array {
            $text = $how($one);

            return null === $text ? null : [$text, [new Label('person', $one->id)]];
        };
        $competing = fn(callable $how): callable => fn(int $at, Resident $one): ?array => $this->competes($at)
            ? $of($how)($at, $one)
            : null;

        return [
            'number' => $competing(static fn(Resident $one): string => $one->number),
            'number in groups' => $competing(fn(Resident $one): string => substr($one->number, 0, 3)
                .$this->pick([' ', '-', '.'])
                .substr($one->number, 3)),
            'number announced' => $competing(fn(Resident $one): string => \sprintf($this->say('numbered'), $one->number)
                .($this->chance(50) ? '' : ' '.$one->name())),
            'login' => $competing(static fn(Resident $one): string => $one->login),
            'login in capitals' => $competing(fn(Resident $one): string => $this->chance(50)
                ? mb_strtoupper($one->login)
                : ucfirst($one->login)),
            'address' => $competing(static fn(Resident $one): ?string => $one->email),
            'address in capitals' => $competing(static fn(Resident $one): ?string => null === $one->email
                ? null
                : mb_strtoupper($one->email)),
            'name and address' => $competing(fn(Resident $one): ?string => null === $one->email
                ? null
                : \sprintf(
                    $this->pick(['%s <%s>', '"%s" <%s>', '%s %s', '%s (%s)', '%s; %s']),
                    $one->name(),
                    $one->email
                )),
            'name and number' => $competing(fn(Resident $one): string => \sprintf(
                $this->pick(['%s %s', '%s (%s)', "%s\t%s", '%s; %s', '%s, %s']),
                $one->name(),
                $one->number,
            )),
            'number and login' => $competing(fn(Resident $one): string => $one->number
                .$this->pick([' ', ' / ', ', ', "\t"])
                .$one->login),
            'private address beside a name' => function (int $at, Resident $one): ?array {
                $label = $this->competes($at) ? $this->named($at, $one->given[0], $one->family, sole: true) : null;
                $address = \sprintf($this->say('private'), Plain::letters($one->family));
                $text = \sprintf(
                    $this->pick(['%s <%s>', '%s %s', '%s; %s', '%s (%s)']),
                    $one->given[0].' '.$one->family,
                    $address
                );

                return null === $label ? null : [$text, [$label]];
            },
            'login before another @' => fn(int $at, Resident $one): ?array => $this->competes($at)
                ? [\sprintf($this->say('elsewhere'), $one->login), [new Label('ask', $one->id)]]
                : null,
            'number with a wrong digit' => function (int $at, Resident $one): ?array {
                $place = $this->random->getInt(1, 5);
                $off = $one->number;
                $off[$place] = (string) (((int) $off[$place] + $this->random->getInt(1, 8)) % 10);

                return 'learner' === $one->kind && $this->competes($at) && Town::check(
                    substr($off, 0, 6)
                ) !== (int) $off[6]
                    ? [$off, [new Label('ask', $one->id)]]
                    : null;
            },
            'number beside the name of another' => function (int $at, Resident $one): ?array {
                $other = $this->other($at);
                $named = $this->town->people[$other];
                $near = [...$this->renown->atAll($named->given[0], $named->family),
                    ...$this->renown->near($named->given[0], $named->family)];

                return $this->competes($at) && $this->competes($other) && !\in_array($at, $near, true)
                    ? [$one->number.' '.$named->name(), [new Label('ask', $one->id)]]
                    : null;
            },
        ];
    }

    /** @return array<string, callable(int, Resident): ?array{string, list<Label>}> */
    private function severally(): array
    {
        $join = fn(callable $way, string $joins = 'joined'): callable => function (int $at) use ($way, $joins): ?array {
            $all = [$at];
            for ($n = $this->random->getInt(1, 3); $n > 0; --$n) {
                $all[] = $this->other($at);
            }
            $parts = $labels = [];
            foreach (array_unique($all) as $each) {
                $one = $this->town->people[$each];
                $label = $this->competes($each)
                    ? $this->named(
                        $each,
                        $one->givenNames(),
                        $one->family,
                        sole: true
                    )
                    : null;
                if (null === $label || 'person' !== $label->type) {
                    return null;
                }
                $parts[] = $way($one);
                $labels[] = $label;
            }

            return \count($parts) < 2 ? null : [implode($this->say($joins), $parts), $labels];
        };
        $any = fn(Resident $one): string => $this->pick([
            $one->name(),
            $one->number,
            $one->name().' '.$one->number,
            $one->email ?? $one->login,
            $one->login,
            $one->name().' <'.($one->email ?? 'x.'.$one->id.'@home.example').'>',
        ]);

        return [
            'several names' => $join(static fn(Resident $one): string => $one->name()),
            'several names, family name first' => $join(
                static fn(Resident $one): string => $one->family.', '.$one->givenNames(),
                'parted',
            ),
            'several numbers' => $join(static fn(Resident $one): string => $one->number),
            'several addresses' => $join(static fn(Resident $one): string => $one->email ?? $one->login),
            'several of all kinds' => $join($any),
            'several with numbers' => $join(
                static fn(Resident $one): string => $one->name().' '.$one->number,
            ),
            'several names, crosswise another\'s' => function (int $at, Resident $one): ?array {
                $other = $this->other($at);
                $two = $this->town->people[$other];
                $cross = array_filter(
                    [...$this->renown->inFull($one->given[0], $two->family),
                        ...$this->renown->inFull($two->given[0], $one->family)],
                    $this->competes(...),
                );
                $labels = [];
                foreach ([[$at, $one], [$other, $two]] as [$each, $person]) {
                    $label = $this->competes($each)
                        ? $this->named($each, $person->given[0], $person->family, sole: true)
                        : null;
                    if ('person' !== $label?->type) {
                        return null;
                    }
                    $labels[] = $label;
                }

                return [] === $cross || $one->family === $two->family
                    ? null
                    : ["{$one->given[0]} $one->family".$this->say('joined')."{$two->given[0]} $two->family", $labels];
            },
            'several names, one of them a stranger\'s' => function (int $at, Resident $one): ?array {
                $family = $this->pick(Pools::family($one->culture))[0];
                $given = $this->pick(Pools::given($this->pick(['en', 'de', 'pt', $one->culture])))[0];
                $known = [...$this->renown->atAll($given, $family), ...$this->renown->near($given, $family)];
                $label = $this->competes($at) ? $this->named($at, $one->given[0], $one->family, sole: true) : null;
                if ([] !== $known || 'person' !== $label?->type) {
                    return null;
                }
                $names = ["{$one->given[0]} $one->family", "$given $family"];

                return [
                    implode($this->say('joined'), $this->chance(50) ? $names : array_reverse($names)),
                    [$label, new Label('stranger')],
                ];
            },
            'one family name for two' => function (int $at, Resident $one): ?array {
                foreach ([$at - 1, $at + 1, $at + 2, $at - 2] as $place) {
                    $other = $this->town->people[$place] ?? null;
                    if (
                        null === $other || $other->family !== $one->family || $other->household !== $one->household
                        || $other->given[0] === $one->given[0] || isset($this->taken[$place])
                    ) {
                        continue;
                    }
                    $labels = [];
                    foreach ([[$at, $one], [$place, $other]] as [$each, $person]) {
                        $label = $this->named($each, $person->given[0], $person->family, sole: true);
                        if (null === $label || 'person' !== $label->type) {
                            return null;
                        }
                        $labels[] = $label;
                    }

                    return [\sprintf($this->say('shared'), $one->given[0], $other->given[0], $one->family), $labels];
                }

                return null;
            },
        ];
    }

    /** @return array<string, callable(int, Resident): ?array{string, list<Label>}> */
    private function otherwise(): array
    {
        $two = fn(string $phrase, callable $other): callable => function (int $at, Resident $one) use (
            $phrase,
            $other,
        ): ?array {
            $place = $other($at, $one);
            $label = $this->competes($at) ? $this->named($at, $one->givenNames(), $one->family, sole: true) : null;
            if (null === $place || $place === $at || 'person' !== $label?->type) {
                return null;
            }

            return [
                \sprintf($this->say($phrase), $one->name(), $this->town->people[$place]->name()),
                [new Label('careful', $one->id)],
            ];
        };

        return [
            'one in place of another' => $two('replaced', fn(int $at): int => $this->other($at)),
            'whose relative somebody is' => $two('related', function (int $at, Resident $one): ?int {
                foreach ([$at + 1, $at - 1, $at + 2] as $place) {
                    if (($this->town->people[$place]->household ?? '') === $one->household) {
                        return $place;
                    }
                }

                return null;
            }),
            'not coming' => function (int $at, Resident $one): ?array {
                $label = $this->competes($at) ? $this->named($at, $one->given[0], $one->family, sole: true) : null;

                return 'person' === $label?->type
                    ? [\sprintf($this->say('gone'), $one->given[0].' '.$one->family), [new Label('out', $one->id)]]
                    : null;
            },
            'somebody who is not in the directory' => function (int $at, Resident $one): ?array {
                $family = $this->pick(Pools::family($one->culture))[0];
                $given = $this->pick(Pools::given($this->pick(['en', 'de', 'pt', $one->culture])))[0];
                $known = [...$this->renown->atAll($given, $family), ...$this->renown->near($given, $family)];

                return [] === $known ? [$given.' '.$family, [new Label('stranger')]] : null;
            },
        ];
    }

    /** @return array<string, callable(int, Resident): ?array{string, list<Label>}> */
    private function renamed(): array
    {
        $strong = fn(callable $how): callable => function (int $at, Resident $one) use ($how): ?array {
            $name = $this->competes($at) ? $how($one) : null;
            if (null === $name) {
                return null;
            }
            [$text, $given, $family] = $name;
            $label = $this->named($at, $given, $family, sole: true);

            return null === $label ? null : [$text, [$label]];
        };
        $weak = fn(callable $how): callable => function (int $at, Resident $one) use ($how): ?array {
            $name = $this->competes($at) ? $how($one) : null;
            $label = null === $name ? null : $this->named($at, $name[1], $name[2], weak: true);

            return null === $label ? null : [$name[0], [$label]];
        };
        $further = fn(string $kind): callable => $strong(function (Resident $one) use ($kind): ?array {
            $name = $one->called($kind);

            return null === $name
                ? null
                : [$this->written($name['given'], $name['family']), $name['given'], $name['family']];
        });
        $parts = static fn(string $family): array => preg_split('/[\s-]+/', Plain::withoutParticles($family)) ?: [];

        return [
            'family name that is a particle' => fn(int $at, Resident $one): ?array => \in_array(
                $one->family,
                self::PARTICLES,
                true,
            )
                ? $strong(fn(Resident $one): array => [
                    $this->written($one->givenNames(), $one->family),
                    $one->givenNames(),
                    $one->family,
                ])($at, $one)
                : null,
            'family name that is an ordinary word' => fn(int $at, Resident $one): ?array => \in_array(
                $one->family,
                self::ORDINARY,
                true,
            )
                ? $strong(fn(Resident $one): array => [
                    $this->written($one->given[0], $one->family),
                    $one->given[0],
                    $one->family,
                ])($at, $one)
                : null,
            'without particles' => $strong(static function (Resident $one): ?array {
                $family = Plain::withoutParticles($one->family);

                return $family === $one->family ? null : [$one->given[0].' '.$family, $one->given[0], $family];
            }),
            'family name written as one' => $strong(function (Resident $one): ?array {
                $family = str_replace([' ', '-', '\''], '', $one->family);

                return $family === $one->family
                    ? null
                    : [$this->written($one->given[0], ucfirst($family)), $one->given[0], $family];
            }),
            'hyphen for a blank, blank for a hyphen' => $strong(static function (Resident $one): ?array {
                $name = strtr($one->name(), [' ' => ' ', '-' => ' ']);
                if (\count($one->given) > 1 && !$one->hyphened) {
                    $name = implode('-', $one->given).' '.str_replace('-', ' ', $one->family);
                }

                return $name === $one->name() ? null : [$name, $one->givenNames(), $one->family];
            }),
            'given names written as one' => $strong(static function (Resident $one): ?array {
                $given = ucfirst(mb_strtolower(implode('', $one->given)));

                return \count($one->given) < 2 ? null : [$given.' '.$one->family, $given, $one->family];
            }),
            'second given name left out' => $strong(fn(Resident $one): ?array => \count($one->given) < 2
                ? null
                : [$this->written($one->given[0], $one->family), $one->given[0], $one->family]),
            'second given name the directory lacks' => fn(int $at, Resident $one): ?array => $this->competes($at)
                ? $this->lacking($at, $one)
                : null,
            'second given name for the first' => $weak(fn(Resident $one): ?array => \count($one->given) < 2
                ? null
                : [$this->written($one->given[1], $one->family), $one->given[1], $one->family]),
            'half of a double family name' => $weak(function (Resident $one) use ($parts): ?array {
                $all = $parts($one->family);
                $half = 2 === \count($all) ? $this->pick($all) : null;

                return null === $half ? null : [$one->given[0].' '.$half, $one->given[0], $half];
            }),
            'initial' => $weak(function (Resident $one): array {
                $initial = mb_substr($one->given[0], 0, 1);

                return [
                    \sprintf(
                        $this->pick(['%1$s. %2$s', '%1$s %2$s', '%2$s, %1$s.', '%2$s %1$s.']),
                        $initial,
                        $one->family
                    ),
                    $initial,
                    $one->family,
                ];
            }),
            'joined initials' => $weak(function (Resident $one): ?array {
                if (\count($one->given) < 2) {
                    return null;
                }
                $initials = array_map(static fn(string $each): string => mb_substr($each, 0, 1), $one->given);

                return [
                    $this->pick([implode('', $initials), implode('.', $initials).'.', implode('. ', $initials).'.'])
                    .' '.$one->family,
                    $initials[0],
                    $one->family,
                ];
            }),
            'one slip' => fn(int $at, Resident $one): ?array => $this->slipped($at, $one, 1),
            'two slips in long names' => fn(int $at, Resident $one): ?array => $this->slipped($at, $one, 2),
            'former name' => $further('former'),
            'one of two former names' => $strong(function (Resident $one): ?array {
                $former = array_values(
                    array_filter($one->further, static fn(array $name): bool => 'former' === $name['kind']),
                );

                return \count($former) < 2
                    ? null
                    : [$this->written($one->given[0], $former[1]['family']), $one->given[0], $former[1]['family']];
            }),
            'name of the passport' => $further('passport'),
            'name of the stage' => $further('stage'),
            'name in another script' => $strong(function (Resident $one): ?array {
                $name = $one->called('script');
                if (null === $name) {
                    return null;
                }
                $text = \in_array($one->culture, ['zh', 'ko'], true)
                    ? $name['family'].$this->pick(['', ' ']).$name['given']
                    : $name['given'].' '.$name['family'];

                return [$text, $name['given'], $name['family']];
            }),
            'another script the directory lacks' => $strong(static function (Resident $one): ?array {
                $scripts = array_column(Pools::given($one->culture), 1, 0);
                $families = array_column(Pools::family($one->culture), 1, 0);
                [$given, $family] = [$scripts[$one->given[0]] ?? '', $families[$one->family] ?? ''];

                return !\in_array($one->culture, ['ru', 'el'], true) || null !== $one->called('script')
                    || '' === $given || '' === $family
                    ? null
                    : ["$given $family", $one->given[0], $one->family];
            }),
            'short name' => $strong(function (Resident $one): ?array {
                $short = Pools::SHORT[$this->part->value][$one->given[0]] ?? null;
                $short = null === $short ? null : $this->pick(explode(' ', $short));

                return null === $short ? null : [$this->written($short, $one->family), $short, $one->family];
            }),
            'preferred name' => $strong(fn(Resident $one): ?array => null === $one->preferred
                ? null
                : [$this->written($one->preferred, $one->family), $one->preferred, $one->family]),
        ];
    }

    /** @return array<string, callable(int, Resident): ?array{string, list<Label>}> */
    private function contested(): array
    {
        $hinted = fn(callable $say, callable $hint): callable => function (int $at, Resident $one) use (
            $say,
            $hint,
        ): ?array {
            $what = $this->competes($at) && $this->crowd($one) > 1 ? $say($one) : null;
            $label = null === $what
                ? null
                : $this->named(
                    $at,
                    $one->given[0],
                    $one->family,
                    hint: static fn(Resident $other): bool => $hint($one, $other)
                );

            return null === $label ? null : [$one->given[0].' '.$one->family.' '.$what, [$label]];
        };
        $namesakes = fn(string $type, string $beside): callable => function (int $at, Resident $one) use (
            $type,
            $beside,
        ): ?array {
            $label = $this->competes($at) && $this->crowd($one) > 1
                ? $this->named($at, $one->givenNames(), $one->family, unread: '' !== $beside)
                : null;
            $text = '' === $beside ? $one->name() : \sprintf($this->say('behind'), $one->name(), $this->say($beside));

            return $label?->type === $type ? [$text, [$label]] : null;
        };
        $beside = fn(callable $which): callable => function (int $at, Resident $one) use ($which): ?array {
            $all = array_diff($this->renown->inFull($one->givenNames(), $one->family), [$at]);
            $some = array_filter($all, fn(int $each): bool => $which($this->town->people[$each]));
            $label = $this->competes($at) && [] !== $some && \count($some) === \count($all)
                ? $this->named($at, $one->givenNames(), $one->family, sole: true)
                : null;

            return null === $label ? null : [$one->name(), [$label]];
        };

        return [
            'level tells namesakes apart' => $hinted(
                fn(Resident $one): ?string => null === $one->level || 'summer' === $one->division
                    ? null
                    : \sprintf($this->say('levels'), $one->level),
                static fn(Resident $one, Resident $other): bool => $one->level === $other->level,
            ),
            'name of a level tells namesakes apart' => $hinted(
                fn(Resident $one): ?string => 'summer' === $one->division
                    ? \sprintf($this->pick(['(%s)', '- %s', '%s']), Town::SUMMER_LEVELS[(int) $one->level - 1])
                    : null,
                static fn(Resident $one, Resident $other): bool => 'summer' === $other->division
                    && $one->level === $other->level,
            ),
            'division tells namesakes apart' => $hinted(
                fn(Resident $one): ?string => isset($this->phrases['divisions'][$one->division])
                    && \is_array($this->phrases['divisions'][$one->division])
                    ? $this->pick($this->phrases['divisions'][$one->division])
                    : null,
                static fn(Resident $one, Resident $other): bool => $one->division === $other->division,
            ),
            'kind tells namesakes apart' => function (int $at, Resident $one) use ($hinted): ?array {
                $kinds = $this->phrases['kinds'][$one->kind] ?? null;

                return \in_array('staff', $this->kinds, true) && \is_array($kinds)
                    ? $hinted(
                        fn(): string => $this->pick($kinds),
                        static fn(Resident $one, Resident $other): bool => $one->kind === $other->kind,
                    )($at, $one)
                    : null;
            },
            'site tells namesakes apart' => $namesakes('person', ''),
            'namesakes nothing tells apart' => $namesakes('ask', ''),
            'namesakes beside a remark' => $namesakes('ask', 'remarks'),
            'given names of two who share a family name' => function (int $at, Resident $one): ?array {
                $others = array_values(array_filter(
                    [$at - 2, $at - 1, $at + 1, $at + 2],
                    fn(int $each): bool => ($this->town->people[$each]->household ?? '') === $one->household
                        && $this->town->people[$each]->family === $one->family
                        && $this->town->people[$each]->given[0] !== $one->given[0]
                        && $this->competes($each),
                ));
                $two = [] === $others ? null : $this->town->people[$this->pick($others)];
                if (null === $two || !$this->competes($at) || \count($one->given) > 1) {
                    return null;
                }
                // Nobody has both names.
                $given = $one->given[0].' '.$two->given[0];

                return [] === $this->renown->inFull($given, $one->family)
                    ? ["$given $one->family", [new Label('ask', $one->id)]]
                    : null;
            },
            'namesake with a closed account' => $beside(static fn(Resident $other): bool => !$other->open),
            'namesake of an unwanted kind' => $beside(
                fn(Resident $other): bool => !\in_array($other->kind, $this->kinds, true),
            ),
            'only of an unwanted kind' => function (int $at, Resident $one): ?array {
                $label = !\in_array($one->kind, $this->kinds, true) && $one->open
                    ? $this->named($at, $one->givenNames(), $one->family)
                    : null;

                return null === $label ? null : [$one->name(), [$label]];
            },
            'only a closed account' => function (int $at, Resident $one): ?array {
                $label = \in_array($one->kind, $this->kinds, true) && !$one->open
                    ? $this->named($at, $one->givenNames(), $one->family)
                    : null;

                return null === $label ? null : [$one->name(), [$label]];
            },
        ];
    }

    /** @return ?array{string, list<Label>} */
    private function lacking(int $at, Resident $one): ?array
    {
        $extra = $this->pick(Pools::given($one->culture))[0];
        $others = array_filter(
            [...$this->renown->atAll($extra, $one->family), ...$this->renown->near($extra, $one->family)],
            fn(int $each): bool => $each !== $at && $this->competes($each),
        );
        $label = [] === $others && !\in_array($extra, $one->given, true) && 1 === \count($one->given)
            ? $this->named($at, $one->given[0], $one->family, weak: true)
            : null;

        return null === $label ? null : ["{$one->given[0]} $extra $one->family", [$label]];
    }

    /** @return ?array{string, list<Label>} */
    private function slipped(int $at, Resident $one, int $slips): ?array
    {
        [$given, $family] = [$one->given[0], $one->family];
        if (1 === $slips) {
            $ofFamily = mb_strlen($family) > 5 && $this->chance(60);
            $changed = $ofFamily ? $this->slip($family, 5) : $this->slip($given, 5);
            [$g, $f] = $ofFamily ? [$given, $changed] : [$changed, $family];
        } elseif ($this->chance(50)) {
            [$g, $f] = [$this->slip($given, 6), $this->slip($family, 6)];
        } else {
            $once = $this->slip($family, 9);
            [$g, $f] = [$given, null === $once ? null : $this->slip($once, 9)];
        }
        if (null === $g || null === $f || "$g $f" === "$given $family" || !$this->competes($at)) {
            return null;
        }
        // What came out is perhaps another's name, or as near to it.
        $others = array_filter(
            [...$this->renown->atAll($g, $f), ...$this->renown->near($g, $f)],
            fn(int $each): bool => $each !== $at && $this->competes($each),
        );
        $label = [] === $others ? $this->named($at, $given, $family, weak: true) : null;

        return null === $label ? null : [$this->written($g, $f), [$label]];
    }

    /** A word with one slip, null where it is too short or nothing came of it. */
    private function slip(string $word, int $longEnough): ?string
    {
        $letters = mb_str_split($word);
        $count = \count($letters);
        if ($count < $longEnough || 1 === preg_match('/[\s\'-]/', $word)) {
            return null;
        }
        $at = $this->random->getInt(1, $count - 2);
        $letter = $letters[$at];
        $changed = match ($this->random->getInt(1, 5)) {
            1 => [$letters[$at + 1], $letter],
            2 => [$letters[$at + 1]],
            3 => [$letter, $letter, $letters[$at + 1]],
            4 => [self::KEYS[$letter] ?? $letter, $letters[$at + 1]],
            default => [strtr($letter, 'aeiou', 'eaiue'), $letters[$at + 1]],
        };
        array_splice($letters, $at, 2, $changed);
        $slipped = implode('', $letters);

        return $slipped === $word ? null : $slipped;
    }

    /** @return list<Line> a heading and rows */
    private function table(): array
    {
        /** @var array<string, list<string>> $heads */
        $heads = $this->phrases['heads'];
        $parted = $this->chance(60);
        $columns = [
            ...$this->chance(35) ? ['place'] : [],
            ...$parted ? ($this->chance(70) ? ['family', 'given'] : ['given', 'family']) : ['name'],
            ...$this->chance(35) ? [$this->pick(['number', 'email'])] : [],
            ...$this->chance(55) ? ['level'] : [],
            ...$this->chance(40) ? ['division'] : [],
            ...$this->chance(45) ? ['remark'] : [],
        ];
        $between = $this->pick(["\t", "\t", ';', ',', ' | ', '; ']);
        $lines = [];
        if ($this->chance(85)) {
            $lines[] = new Line(
                'nobody',
                implode($between, array_map(fn(string $each): string => $this->pick($heads[$each]), $columns)),
                [new Label('nobody')],
            );
        }
        $rows = $this->random->getInt(10, 38);
        for ($n = 1; $n <= $rows; ++$n) {
            $line = $this->attempt('row of a table', fn(int $at, Resident $one): ?array => $this->row(
                $at,
                $one,
                $columns,
                $between,
                $n,
            ));
            null === $line || ($lines[] = $line);
        }

        return $lines;
    }

    /**
     * @param list<string> $columns
     *
     * @return ?array{string, list<Label>}
     */
    private function row(int $at, Resident $one, array $columns, string $between, int $place): ?array
    {
        $has = static fn(string $column): bool => \in_array($column, $columns, true);
        $told = ($has('level') && null !== $one->level) || $has('division');
        $alike = static fn(Resident $other): bool => (!$has('level') || $other->level === $one->level)
            && (!$has('division') || $other->division === $one->division);
        $known = $has('number') || ($has('email') && null !== $one->email);
        $label = !$this->competes($at) ? null : ($known
            ? new Label('person', $one->id)
            : $this->named(
                $at,
                $one->given[0],
                $one->family,
                sole: $has('remark') && !$told,
                hint: $told ? $alike : null,
            ));
        if (null === $label) {
            return null;
        }
        $cells = array_map(
            fn(string $column): string => match ($column) {
                'place' => (string) $place,
                'family' => $one->family,
                'given' => $one->given[0],
                'name' => $one->given[0].' '.$one->family,
                'number' => $one->number,
                'email' => (string) $one->email,
                'level' => match (true) {
                    null === $one->level => '',
                    'summer' === $one->division => Town::SUMMER_LEVELS[$one->level - 1],
                    default => (string) $one->level,
                },
                'division' => Town::DIVISIONS[$one->division],
                default => $this->pick(['', $this->say('instruments'), $this->say('remarks')]),
            },
            $columns,
        );

        return [implode($between, $cells), [$label]];
    }

    private function written(string $given, string $family): string
    {
        return $this->chance(65) ? "$given $family" : "$family, $given";
    }

    /** How many who compete are called like somebody. */
    private function crowd(Resident $one): int
    {
        return \count(array_filter($this->renown->inFull($one->given[0], $one->family), $this->competes(...)));
    }

    /** Somebody else, who is not on the list yet. */
    private function other(int $than): int
    {
        do {
            $at = $this->chance(60) && [] !== $this->fitting
                ? $this->pick($this->fitting)
                : $this->random->getInt(0, Town::SIZE - 1);
        } while ($at === $than || isset($this->taken[$at]));

        return $at;
    }

    /** @param callable(Resident): bool $which */
    private function somebody(callable $which): int
    {
        do {
            $at = $this->random->getInt(0, Town::SIZE - 1);
        } while (!$which($this->town->people[$at]));

        return $at;
    }

    private function say(string $what): string
    {
        /** @var list<string> $phrases */
        $phrases = $this->phrases[$what];

        return $this->pick($phrases);
    }

    private function chance(int $percent): bool
    {
        return $this->random->getInt(1, 100) <= $percent;
    }

    /**
     * @template T
     *
     * @param list<T> $from
     *
     * @return T
     */
    private function pick(array $from): mixed
    {
        return $from[$this->random->getInt(0, \count($from) - 1)];
    }
}
