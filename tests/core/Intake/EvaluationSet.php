<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Intake;

use MintDoor\Core\Intake\Known;
use MintDoor\Core\Intake\KnownName;
use MintDoor\Core\People\Luhn;
use MintDoor\Core\People\NameKind;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Text\Folding;
use MintDoor\Demo\Dice;
use MintDoor\Demo\Names;

/**
 * Lines as people write them, each with whom it means, to measure the matcher by. Somebody is drawn, the line is
 * written with one kind of noise, and of several who are called so the one the list is for is meant. Nothing here asks
 * the matcher, and names are compared here in a way of its own.
 */
final class EvaluationSet
{
    public const DIVISIONS = [
        'juniors' => 'Harbour Juniors',
        'seniors' => 'Millrace Seniors',
        'evening' => 'Northlight Evening School',
        'faculty' => 'Faculty',
    ];

    /** What the lists are for. */
    public const DIVISION = 'seniors';
    public const LEVELS = [6, 8];

    /** Short forms in common use, written down without looking at any table. */
    private const SHORT = [
        'Beatriz' => 'Bea',
        'Katja' => 'Kati',
        'Viktor' => 'Vic',
        'Ulrike' => 'Uli',
        'Willem' => 'Wim',
        'Judith' => 'Judy',
        'Edith' => 'Edie',
        'Zofia' => 'Zosia',
        'Małgorzata' => 'Gosia',
        'Dmitri' => 'Dima',
        'Yusuf' => 'Yusi',
        'Orsolya' => 'Orsi',
        'Jelena' => 'Lena',
        'Tomáš' => 'Tomek',
        'Bartek' => 'Bart',
        'Péter' => 'Peti',
    ];

    private const UMLAUTS = [
        'ä' => 'ae',
        'ö' => 'oe',
        'ü' => 'ue',
        'Ö' => 'Oe',
        'ø' => 'oe',
        'Ø' => 'Oe',
        'å' => 'aa',
        'ß' => 'ss',
        'Ü' => 'Ue',
    ];

    private const CYRILLIC = [
        'sch' => 'щ',
        'sh' => 'ш',
        'zh' => 'ж',
        'ch' => 'ч',
        'ts' => 'ц',
        'kh' => 'х',
        'a' => 'а',
        'b' => 'б',
        'v' => 'в',
        'g' => 'г',
        'd' => 'д',
        'e' => 'е',
        'z' => 'з',
        'i' => 'и',
        'k' => 'к',
        'l' => 'л',
        'm' => 'м',
        'n' => 'н',
        'o' => 'о',
        'p' => 'п',
        'r' => 'р',
        's' => 'с',
        't' => 'т',
        'u' => 'у',
        'f' => 'ф',
        'y' => 'й',
        'j' => 'й',
    ];

    private const BETWEEN = [
        'Dear all,',
        'Harmony list:',
        'Total: 24',
        'Name; Number; Level',
        'Page 2',
        'Here is the new list for Monday!',
        'Thank you very much',
        'Best wishes',
        '-----',
        '24',
        'Class of autumn term',
        'Please add the following people:',
        'Surname, First name',
        '12.10.2026',
        'Hello Mara',
    ];

    private const KEYS = [
        'a' => 's',
        's' => 'd',
        'e' => 'r',
        'r' => 't',
        'o' => 'p',
        'n' => 'm',
        'i' => 'o',
        'l' => 'k',
        't' => 'y',
        'u' => 'i',
        'd' => 'f',
        'm' => 'n',
        'h' => 'j',
        'k' => 'l',
        'g' => 'h',
        'b' => 'v',
    ];

    /** @var list<Somebody> */
    public array $people = [];

    /** @var array<string, list<int>> plain rendition => who is called so */
    private array $called = [];

    private Dice $dice;

    public function __construct(int $size = 3_000, private readonly int $seed = 1_128)
    {
        $this->dice = new Dice($seed);
        $names = new Names($this->dice);
        for ($n = 0; $n < $size; ++$n) {
            $this->people[] = $this->somebody($n, $names);
        }
        foreach ($this->people as $at => $person) {
            foreach (array_unique(array_map(self::plain(...), self::renditions($person))) as $rendition) {
                $this->called[$rendition][] = $at;
            }
        }
    }

    /** @return list<Known> */
    public function directory(): array
    {
        return array_map(
            static fn(Somebody $row): Known => new Known(
                new Person($row->id, PersonKind::from($row->kind), $row->division, $row->level),
                Folding::tokens($row->given),
                Folding::tokens($row->family),
                Folding::tokens((string) $row->preferred),
                null === $row->former ? [] : [KnownName::of(NameKind::Former, '', $row->former)],
                array_map(
                    Folding::identifier(...),
                    array_values(array_filter([$row->number, $row->login, $row->email])),
                ),
            ),
            $this->people,
        );
    }

    /**
     * @return list<array{kind: string, text: string, means: string}> means: a person's id, `ask`, `nobody` or
     *     `no-person`; the same each time
     */
    public function lines(int $each = 60): array
    {
        $this->dice = new Dice($this->seed + 1);
        $lines = [];
        foreach (['between' => self::BETWEEN] as $kind => $texts) {
            foreach ($texts as $text) {
                $lines[] = ['kind' => $kind, 'text' => $text, 'means' => 'no-person'];
            }
        }
        foreach ($this->kinds() as $kind => [$whom, $write]) {
            for ($made = $tries = 0; $made < $each && $tries < 40 * $each; ++$tries) {
                $at = $this->dice->below(\count($this->people));
                $row = $this->people[$at];
                if (!$whom($row) || ($this->dice->chance(70) && !self::isFor($row))) {
                    continue;
                }
                [$text, $means] = $write($row, $at);
                if (null !== $text) {
                    $lines[] = ['kind' => $kind, 'text' => $text, 'means' => $means];
                    ++$made;
                }
            }
        }

        return $lines;
    }

    private function somebody(int $n, Names $names): Somebody
    {
        $kind = $this->dice->chance(82) ? 'learner' : ($this->dice->chance(50) ? 'staff' : 'guardian');
        $division =
            'learner' === $kind ? ['juniors', 'seniors', 'seniors', 'evening'][$this->dice->below(4)] : 'faculty';
        $given = $names->given();
        if ($this->dice->chance(12)) {
            $second = $names->given();
            $given .= $second === $given ? '' : ($this->dice->chance(50) ? ' ' : '-').$second;
        }
        $family = $names->family($this->dice->chance(50));
        $front = \sprintf('%06d', 204_000 + $n * 7);
        \assert(is_numeric($front));
        $login =
            self::plain(explode(' ', strtr($given, '-', ' '))[0])
            .'.'
            .str_replace([' ', '-'], '', self::plain($family))
            .($n % 7 ? (string) $n : '.'.$n);

        return new Somebody(
            id: 'p'.$n,
            kind: $kind,
            division: $division,
            level: match ($division) {
                'juniors' => $this->dice->between(1, 5),
                'seniors' => $this->dice->between(6, 10),
                'evening' => $this->dice->between(1, 4),
                default => null,
            },
            given: $given,
            family: $family,
            preferred: $this->dice->chance(8) ? $names->given() : null,
            former: $this->dice->chance(5) ? $names->family(true) : null,
            number: 'staff' === $kind ? 'S'.\sprintf('%05d', 10_000 + $n) : $front.Luhn::checkDigit($front),
            login: $login,
            email: 'juniors' === $division
                ? null
                : self::plain($given)[0].strtr(self::plain($family), [' ' => '']).$n.'@example.org',
        );
    }

    /**
     * @return array<string, array{callable(Somebody): bool, callable(Somebody, int): array{?string, string}}> who it
     *     can be about, and the line with whom it means
     */
    private function kinds(): array
    {
        $any = static fn(Somebody $row): bool => true;
        $full = static fn(Somebody $row): string => $row->given.' '.$row->family;
        $known = static fn(callable $write): callable => static fn(Somebody $row): array => [$write($row), $row->id];
        $named = fn(callable $write): callable => fn(Somebody $row): array => [
            $write($row),
            $this->meant($full($row), $row),
        ];
        $slip = fn(callable $change): callable => function (Somebody $row) use ($change, $full): array {
            $words = explode(' ', $full($row));
            usort(
                $words,
                static fn(string $a, string $b): int => \strlen(self::plain($b)) <=> \strlen(self::plain($a)),
            );
            $long = self::plain($words[$this->dice->below(min(2, \count($words)))]);
            if (\strlen($long) < 5) {
                return [null, ''];
            }
            $off = $change($long, $this->dice->between(1, \strlen($long) - 2));

            return [
                $off === $long ? null : str_replace($long, $off, self::plain($full($row))),
                // A letter doubled, or one of two left out, is another spelling of the same name.
                $this->meant($full($row), $row, weak: self::single($off) !== self::single($long)),
            ];
        };
        $rest = static fn(Somebody $row): string => implode("\t", [$row->level ?? '', self::DIVISIONS[$row->division]]);

        return [
            'given and family name' => [$any, $named($full)],
            'family name, given name' => [
                $any,
                $named(static fn(Somebody $row): string => $row->family.', '.$row->given),
            ],
            'family name first, in capitals' => [
                $any,
                $named(static fn(Somebody $row): string => mb_strtoupper($row->family).' '.$row->given),
            ],
            'lower case without diacritics' => [
                $any,
                $named(static fn(Somebody $row): string => self::plain($full($row))),
            ],
            'numbered, bulleted, ticked' => [
                $any,
                $named(
                    fn(Somebody $row): string => ['3. ', '- ', '• ', '[x] ', '✓ ', '(4) ', '12) '][
                        $this->dice->below(7)
                    ].$full($row),
                ),
            ],
            'invisible characters' => [
                $any,
                $named(
                    static fn(Somebody $row): string => "\u{FEFF}"
                        .str_replace(' ', "\u{00A0}", $full($row))
                        ."\u{200B} \r",
                ),
            ],
            'title in front, remark behind' => [
                $any,
                $named(
                    fn(Somebody $row): string => ['Ms ', 'Mr. ', 'Dr '][$this->dice->below(3)]
                        .$full($row)
                        .[' (cello)', ' - violin', ' *'][$this->dice->below(3)],
                ),
            ],
            'number' => [$any, $known(static fn(Somebody $row): string => $row->number)],
            'number in groups' => [
                static fn(Somebody $row): bool => 'staff' !== $row->kind,
                $known(
                    static fn(Somebody $row): string => substr($row->number, 0, 3)
                        .'-'
                        .substr($row->number, 3, 2)
                        .' '
                        .substr($row->number, 5),
                ),
            ],
            'number and name' => [$any, $known(static fn(Somebody $row): string => $row->number.' '.$row->family)],
            'login' => [$any, $known(static fn(Somebody $row): string => $row->login)],
            'address' => [
                static fn(Somebody $row): bool => null !== $row->email,
                $known(static fn(Somebody $row): string => (string) $row->email),
            ],
            'name and address' => [
                static fn(Somebody $row): bool => null !== $row->email,
                $known(
                    static fn(Somebody $row): string => $row->given.' <'.mb_strtoupper((string) $row->email).'>',
                ),
            ],
            'address cut at the @' => [
                static fn(Somebody $row): bool => null !== $row->email && 'guardian' !== $row->kind,
                $known(static fn(Somebody $row): string => explode('@', (string) $row->email)[0]),
            ],
            'row with number' => [
                $any,
                $known(
                    static fn(Somebody $row): string => implode("\t", [
                        $row->family,
                        $row->given,
                        $row->number,
                        $rest($row),
                    ]),
                ),
            ],
            'row without number' => [
                $any,
                fn(Somebody $row): array => [$full($row)."\t".$rest($row), $this->meant($full($row), $row, true)],
            ],
            'preferred name' => [
                static fn(Somebody $row): bool => null !== $row->preferred,
                fn(Somebody $row): array => [
                    $row->preferred.' '.$row->family,
                    $this->meant($row->preferred.' '.$row->family, $row),
                ],
            ],
            'former name' => [
                static fn(Somebody $row): bool => null !== $row->former,
                fn(Somebody $row): array => [
                    $row->given.' '.$row->former,
                    $this->meant($row->given.' '.$row->former, $row),
                ],
            ],
            'short name' => [
                static fn(Somebody $row): bool => isset(self::SHORT[$row->given]),
                fn(Somebody $row): array => [
                    self::SHORT[$row->given].' '.$row->family,
                    $this->meant($full($row), $row),
                ],
            ],
            'transliterated' => [
                static fn(Somebody $row): bool => strtr($full($row), self::UMLAUTS) !== $full($row),
                $named(static fn(Somebody $row): string => strtr($full($row), self::UMLAUTS)),
            ],
            'in Cyrillic letters' => [
                static fn(Somebody $row): bool => 1 !== preg_match('/[cwxqh]/i', self::plain($full($row))),
                $named(
                    static fn(Somebody $row): string => mb_convert_case(
                        strtr(self::plain($full($row)), self::CYRILLIC),
                        \MB_CASE_TITLE,
                    ),
                ),
            ],
            'without particles' => [
                static fn(Somebody $row): bool => 1 === preg_match('/\b(van|der|da|de|la|El)\b/', $row->family),
                $named(
                    static fn(Somebody $row): string => $row->given
                        .' '
                        .trim((string) preg_replace(['/\b(van|der|da|de|la|El)\b/', '/\s+/'], ['', ' '], $row->family)),
                ),
            ],
            'names written as one' => [
                static fn(Somebody $row): bool => 1 === preg_match('/[ -]/', $row->given),
                $named(
                    static fn(Somebody $row): string => str_replace([' ', '-'], '', $row->given).' '.$row->family,
                ),
            ],
            'hyphen left out' => [
                static fn(Somebody $row): bool => str_contains($row->family, '-'),
                $named(static fn(Somebody $row): string => $row->given.' '.str_replace('-', ' ', $row->family)),
            ],
            'one of two given names' => [
                static fn(Somebody $row): bool => 1 === preg_match('/[ -]/', $row->given),
                function (Somebody $row): array {
                    $text = (preg_split('/[ -]/', $row->given) ?: [''])[0].' '.$row->family;

                    return [$text, $this->meant($text, $row)];
                },
            ],
            'initial' => [
                $any,
                fn(Somebody $row): array => [
                    mb_substr($row->given, 0, 1).'. '.$row->family,
                    $this->initialed($row),
                ],
            ],
            'neighbouring key' => [
                $any,
                $slip(
                    static fn(string $word, int $at): string => substr_replace(
                        $word,
                        self::KEYS[$word[$at]] ?? $word[$at],
                        $at,
                        1,
                    ),
                ),
            ],
            'letters swapped' => [
                $any,
                $slip(
                    static fn(string $word, int $at): string => substr_replace(
                        $word,
                        $word[$at + 1].$word[$at],
                        $at,
                        2,
                    ),
                ),
            ],
            'letter doubled' => [
                $any,
                $slip(
                    static fn(string $word, int $at): string => substr_replace($word, $word[$at].$word[$at], $at, 1),
                ),
            ],
            'letter missing' => [
                $any,
                $slip(static fn(string $word, int $at): string => substr_replace($word, '', $at, 1)),
            ],
            'another vowel' => [
                $any,
                $slip(
                    static fn(string $word, int $at): string => substr_replace(
                        $word,
                        strtr($word[$at], 'aeiou', 'eaoui'),
                        $at,
                        1,
                    ),
                ),
            ],
            'number with a wrong digit' => [
                static fn(Somebody $row): bool => 'staff' !== $row->kind,
                fn(Somebody $row): array => [
                    substr_replace(
                        $row->number,
                        (string) (((int) $row->number[4] + $this->dice->between(1, 8)) % 10),
                        4,
                        1,
                    ),
                    'nobody',
                ],
            ],
            'wrong digit beside a name' => [
                static fn(Somebody $row): bool => 'staff' !== $row->kind,
                static fn(Somebody $row): array => [
                    substr_replace($row->number, (string) (((int) $row->number[4] + 1) % 10), 4, 1).' '.$full($row),
                    'ask',
                ],
            ],
            'number beside another\'s name' => [
                $any,
                function (Somebody $row) use ($full): array {
                    $other = $this->people[$this->dice->below(\count($this->people))];

                    return [
                        $other->id === $row->id
                        || self::plain($other->family) === self::plain($row->family)
                        || self::plain($other->given) === self::plain($row->given)
                            ? null
                            : $row->number.' '.$full($other),
                        'ask',
                    ];
                },
            ],
            'namesakes nothing tells apart' => [
                fn(Somebody $row): bool => 'ask' === $this->meant($full($row), $row),
                static fn(Somebody $row): array => [$full($row), 'ask'],
            ],
            'somebody the directory does not have' => [
                $any,
                function (Somebody $row): array {
                    $other = $this->people[$this->dice->below(\count($this->people))];
                    $text = $row->given.' '.$other->family;

                    return [isset($this->called[self::plain($text)]) ? null : $text, 'nobody'];
                },
            ],
            'a family name alone' => [
                $any,
                static fn(Somebody $row): array => [explode(' ', strtr($row->family, '-', ' '))[0], 'ask'],
            ],
        ];
    }

    /** Whom a name means here: the one who is called so, or of several the one the list is for. */
    private function meant(string $text, Somebody $row, bool $rowSays = false, bool $weak = false): string
    {
        $all = array_map(fn(int $at): Somebody => $this->people[$at], $this->called[self::plain($text)] ?? []);
        if ($rowSays) {
            $all = array_filter(
                $all,
                static fn(Somebody $other): bool => $other->level === $row->level
                    && $other->division === $row->division,
            );
        }

        return $this->one(array_values($all), $row, $weak);
    }

    private function initialed(Somebody $row): string
    {
        $letter = self::plain($row->given)[0];

        return $this->one(
            array_values(
                array_filter(
                    $this->people,
                    static fn(Somebody $other): bool => self::plain($other->family) === self::plain($row->family)
                        && (self::plain($other->given)[0] === $letter
                            || self::plain((string) $other->preferred.' ')[0] === $letter),
                ),
            ),
            $row,
            weak: true,
        );
    }

    /**
     * @param list<Somebody> $all
     */
    private function one(array $all, Somebody $row, bool $weak = false): string
    {
        // Guardians are not wanted: they stand against nobody who is.
        $all = array_values(array_filter($all, static fn(Somebody $each): bool => 'guardian' !== $each->kind));
        if (1 === \count($all)) {
            // What is weak means somebody only where the list is for them.
            return $weak && !self::isFor($all[0]) ? 'ask' : $all[0]->id;
        }
        $for = array_values(array_filter($all, self::isFor(...)));

        return 1 === \count($for) ? $for[0]->id : 'ask';
    }

    private static function single(string $word): string
    {
        return (string) preg_replace('/(.)\1+/', '$1', $word);
    }

    private static function isFor(Somebody $row): bool
    {
        return 'learner' === $row->kind
            && self::DIVISION === $row->division
            && $row->level >= self::LEVELS[0]
            && $row->level <= self::LEVELS[1];
    }

    /** @return list<string> */
    private static function renditions(Somebody $row): array
    {
        $givens = array_filter([
            $row->given,
            (preg_split('/[ -]/', $row->given) ?: [''])[0],
            $row->preferred,
            self::SHORT[$row->given] ?? null,
        ]);
        $families = array_filter([$row->family, $row->former, ...preg_split('/[ -]/', $row->family) ?: []]);

        return array_merge(
            ...array_map(
                static fn(string $given): array => array_map(
                    static fn(string $family): string => $given.' '.$family,
                    $families,
                ),
                $givens,
            ),
        );
    }

    /** Lower case, overrides taken off: by canonical decomposition, and a short list of letters that have none. */
    private static function plain(string $text): string
    {
        $plain = (string) preg_replace(
            '/\p{M}+/u',
            '',
            (string) \Normalizer::normalize(
                strtr($text, [
                    'ł' => 'l',
                    'Ł' => 'L',
                    'ø' => 'o',
                    'Ø' => 'O',
                    'ß' => 'ss',
                    'ı' => 'i',
                    'đ' => 'd',
                    '-' => ' ',
                    '\'' => '',
                ]),
                \Normalizer::FORM_D,
            ),
        );

        return mb_strtolower($plain);
    }
}
