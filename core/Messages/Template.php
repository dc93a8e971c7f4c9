<?php

declare(strict_types=1);

namespace MintDoor\Core\Messages;

/**
 * Subject and text of a message, with names between braces where something is filled in. Words between square brackets
 * that name something are left out where it is empty: "as {role}[ until {until}]". It is plain text: what looks like
 * markup is shown as it is.
 */
final readonly class Template
{
    public const LONGEST_SUBJECT = 150;

    public const LONGEST_BODY = 5_000;

    /** Words that are left out where what they name is empty. */
    private const OPTIONAL = '/\[([^\[\]]*\{[^\[\]]*)\]/u';

    /**
     * @param string  $footer   that stands below every letter, as it is
     * @param ?string $division code of the division whose letters these are
     */
    public function __construct(
        public string $subject,
        public string $body,
        public string $footer = '',
        public ?string $division = null,
    ) {}

    /**
     * What is wrong with it for messages of a kind.
     *
     * @return list<array{
     *     field: 'subject'|'body',
     *     code: 'empty'|'too-long'|'unknown'|'not-closed'|'no-link'|'link-in-subject'|'line-break',
     *     value: string,
     * }>
     */
    public function problems(MessageKind $kind): array
    {
        $problems = [];
        $fields = [
            'subject' => [$this->subject, self::LONGEST_SUBJECT],
            'body' => [$this->body, self::LONGEST_BODY],
        ];
        foreach ($fields as $field => [$text, $most]) {
            if ('' === trim($text)) {
                $problems[] = ['field' => $field, 'code' => 'empty', 'value' => ''];
            }
            if (mb_strlen($text) > $most) {
                $problems[] = ['field' => $field, 'code' => 'too-long', 'value' => (string) $most];
            }
            foreach (array_diff(self::named($text), $kind->placeholders()) as $name) {
                $problems[] = ['field' => $field, 'code' => 'unknown', 'value' => $name];
            }
            $rest = (string) preg_replace('/\{[^{}]*\}/u', '', $text);
            if (1 === preg_match('/[{}][^{}]{0,20}/u', $rest, $found)) {
                $problems[] = ['field' => $field, 'code' => 'not-closed', 'value' => trim($found[0])];
            }
        }
        if (1 === preg_match('/[\r\n]/', $this->subject)) {
            $problems[] = ['field' => 'subject', 'code' => 'line-break', 'value' => ''];
        }
        if (\in_array('link', self::named($this->subject), true)) {
            $problems[] = ['field' => 'subject', 'code' => 'link-in-subject', 'value' => ''];
        }
        // A link that may be left out with something else is none.
        $always = (string) preg_replace(self::OPTIONAL, '', $this->body);
        if ($kind->needsLink() && !\in_array('link', self::named($always), true)) {
            $problems[] = ['field' => 'body', 'code' => 'no-link', 'value' => ''];
        }

        return $problems;
    }

    /**
     * Filled in for one person. Values are never read as templates; words of somebody's own come before the link where
     * the template has no place for them.
     *
     * @param array<string, string> $values   by name; the link is left out, it is put in when the message is sent
     * @param string                $language of the words, BCP 47
     */
    public function fill(array $values, string $language = 'en'): Letter
    {
        $words = trim($values['words'] ?? '');
        $body = $this->body;
        if ('' !== $words && !\in_array('words', self::named($body), true)) {
            $body = \in_array('link', self::named($body), true)
                ? (string) preg_replace('/^(.*\{\s*link\s*\}.*)$/mu', "\n{words}\n\n$1", $body, 1)
                : $body."\n\n{words}";
        }
        $empty = static fn(string $name): bool => 'link' !== $name && '' === trim($values[$name] ?? '');
        $choose = static fn(string $text): string => (string) preg_replace_callback(
            self::OPTIONAL,
            static fn(array $found): string => [] === array_filter(self::named($found[1]), $empty) ? $found[1] : '',
            $text,
        );
        $fill = static fn(string $text): string => (string) preg_replace_callback(
            '/\{\s*([a-z]+)\s*\}/u',
            static fn(array $found): string => 'link' === $found[1]
                ? Letter::LINK
                : Letter::plain($values[$found[1]] ?? ''),
            $choose($text),
        );
        // What is left empty leaves no hole.
        $text = (string) preg_replace(
            '/\n{3,}/',
            "\n\n",
            (string) preg_replace('/[ \t]+$/m', '', str_replace(["\r\n", "\r"], "\n", $fill($body))),
        );

        return new Letter(
            trim((string) preg_replace('/\s+/u', ' ', $fill($this->subject))),
            trim($text).('' === $this->footer ? '' : "\n\n".Letter::plain(trim($this->footer))),
            $language,
            $this->division,
        );
    }

    /** @return list<string> */
    private static function named(string $text): array
    {
        preg_match_all('/\{([^{}]*)\}/u', $text, $found);

        return array_values(array_unique(array_map(trim(...), $found[1])));
    }
}
