<?php

declare(strict_types=1);

namespace MintDoor\Changes;

/** One line of a stored change list as it is asked for: a change, or an applied line to be taken back. */
final readonly class RequestedItem
{
    /**
     * @param ?LineRequest $line   what is asked for
     * @param ?string      $undoes id of the line that is taken back
     * @param string       $text   what was typed or pasted for it
     */
    private function __construct(
        public string $site,
        public string $person,
        public ?LineRequest $line,
        public ?string $undoes,
        public string $text = '',
    ) {}

    public static function change(string $site, LineRequest $line, string $text = ''): self
    {
        return new self($site, $line->person, $line, null, $text);
    }

    public static function undo(string $site, string $person, string $line): self
    {
        return new self($site, $person, null, $line);
    }

    /** @param array<array-key, mixed> $kept as `kept()` */
    public static function read(string $site, string $person, array $kept): self
    {
        if (\is_string($kept['undo'] ?? null)) {
            return self::undo($site, $person, $kept['undo']);
        }
        $text = static fn(string $name): ?string => \is_string($kept[$name] ?? null) ? $kept[$name] : null;
        $number = static fn(string $name): ?int => \is_int($kept[$name] ?? null) ? $kept[$name] : null;
        $line = new LineRequest(
            $person,
            $text('verb') ?? 'let-in',
            $text('role'),
            $text('fromDay'),
            $text('untilDay'),
            $number('days'),
            $text('note'),
            $number('version'),
            $text('section'),
            true === ($kept['sure'] ?? false),
            $number('siteVersion'),
            $text('named') ?? $text('text'),
            true === ($kept['leadEnds'] ?? false),
            array_values(array_filter((array) ($kept['sections'] ?? []), is_string(...))),
            true === ($kept['clash'] ?? false),
        );

        return self::change($site, $line, (string) $text('text'));
    }

    /** @return array<string, mixed> what is kept of it, beside site and person */
    public function kept(): array
    {
        $said = null === $this->line
            ? ['undo' => $this->undoes]
            : ['text' => $this->text, ...array_diff_key(get_object_vars($this->line), ['person' => 1])];

        return array_filter($said, static fn(mixed $value): bool => !\in_array($value, [null, '', false, []], true));
    }
}
