<?php

declare(strict_types=1);

namespace MintDoor\Core\Sites;

/** What whoever asks for a place in a site is asked, by those who say yes or no. */
final readonly class Question
{
    public const LONGEST_ANSWER = 300;

    /** @param list<string> $choices of which one is the answer; none where it is answered in one's own words */
    public function __construct(public string $text, public array $choices = []) {}

    /** @return ?string what is wrong with an answer: "no-answer", "too-long", "no-choice"; null where it is one */
    public function refusal(string $answer): ?string
    {
        return match (true) {
            '' === trim($answer) => 'no-answer',
            mb_strlen($answer) > self::LONGEST_ANSWER => 'too-long',
            [] !== $this->choices && !\in_array($answer, $this->choices, true) => 'no-choice',
            default => null,
        };
    }

    /**
     * What somebody said, as it is kept: each question with its answer on a line of its own.
     *
     * @param list<self>   $questions
     * @param list<string> $answers   in the order of the questions
     */
    public static function answered(array $questions, array $answers): string
    {
        $lines = array_map(
            static fn(self $question, ?string $answer): string => \sprintf(
                '%s %s',
                $question->text,
                self::oneLine((string) $answer),
            ),
            $questions,
            \array_slice($answers, 0, \count($questions)),
        );

        return implode("\n", $lines);
    }

    private static function oneLine(string $text): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', $text));
    }
}
