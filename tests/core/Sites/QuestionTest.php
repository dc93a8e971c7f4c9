<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Sites;

use MintDoor\Core\Sites\Question;
use PHPUnit\Framework\TestCase;

final class QuestionTest extends TestCase
{
    public function testOneOfTheChoicesIsTheAnswerWhereThereAreSome(): void
    {
        $plays = new Question('What do you play?', ['Viola', 'Oboe']);
        self::assertNull($plays->refusal('Oboe'));
        self::assertSame('no-choice', $plays->refusal('oboe'));
        self::assertSame('no-answer', $plays->refusal(''));
    }

    public function testAnAnswerInOnesOwnWordsIsShort(): void
    {
        $since = new Question('Since when?');
        self::assertNull($since->refusal(str_repeat('é', Question::LONGEST_ANSWER)));
        self::assertSame('too-long', $since->refusal(str_repeat('é', Question::LONGEST_ANSWER + 1)));
        self::assertSame('no-answer', $since->refusal(" \n"));
    }

    public function testEachAnswerStandsWithItsQuestionOnOneLine(): void
    {
        $asked = [new Question('What do you play?', ['Viola', 'Oboe']), new Question('Since when?')];
        self::assertSame(
            "What do you play? Oboe\nSince when? Two years. Who asks? Me",
            Question::answered($asked, ['Oboe', "Two years.\nWho asks?\u{2028}Me", 'more than was asked']),
        );
    }
}
