<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Shared;

use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\OwnLanguage;
use MintDoor\Shared\Said;
use MintDoor\Shared\Speech;
use MintDoor\Shared\Violated;
use MintDoor\Tests\App\ApiTestCase;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\HttpKernel\HttpKernelInterface;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorage;
use Symfony\Component\Security\Http\Authenticator\Token\PostAuthenticationToken;
use Symfony\Component\Translation\Loader\ArrayLoader;
use Symfony\Component\Translation\LocaleSwitcher;
use Symfony\Component\Translation\Translator;
use Symfony\Component\Validator\Constraint;
use Symfony\Component\Validator\Constraints\Choice;
use Symfony\Component\Validator\Constraints\Count;
use Symfony\Component\Validator\Constraints\Length;
use Symfony\Component\Validator\Constraints\PositiveOrZero;
use Symfony\Component\Validator\Validation;

/** Sentences are said in the language of whoever is answered. */
final class SpeechTest extends ApiTestCase
{
    public function testASentenceIsFilledInWithNumbersNamesAndSentences(): void
    {
        $speech = $this->service(Speech::class);
        self::assertSame(
            '1 seat is held, now or later. Choose 1 or more, or remove some people first.',
            $speech->say(Said::with('desk.seats-held', n: 1)),
        );
        self::assertStringStartsWith('2,000 seats are held', $speech->say(Said::with('desk.seats-held', n: 2_000)));
        self::assertStringContainsString(
            '“{n, plural}<b>”',
            $speech->say(Said::with('doors.no-such-word', word: '{n, plural}<b>')),
            'What people type is nothing but text.',
        );
        self::assertStringContainsString('“Not here”', $speech->say(
            new Said('doors.no-such-word', ['word' => new Said('problem.not-found')]),
        ));
    }

    public function testWhereOneOfManyHasNoSentenceThereIsOneForAllOthers(): void
    {
        $speech = $this->service(Speech::class);
        self::assertSame($speech->say('doors.refusal.other'), $speech->say('doors.refusal.nobody-thought-of'));
        self::assertNotSame($speech->say('doors.refusal.other'), $speech->say('doors.refusal.shut'));
    }

    public function testWhatTheLibraryWouldSayIsSaidInOurWords(): void
    {
        $said = fn(mixed $value, Constraint $by): string => $this->service(Speech::class)->say(
            Violated::said(Validation::createValidator()->validate($value, $by)[0] ?? self::fail('It is let through.')),
        );
        self::assertSame('Shorten this to 1,000 characters.', $said(str_repeat('x', 1_001), new Length(max: 1_000)));
        self::assertSame('At most 2 at once here. Do the rest after that.', $said([1, 2, 3], new Count(max: 2)));
        self::assertSame('This is not one of the values that are possible here.', $said(-1, new PositiveOrZero()));
        self::assertSame('Say run, in or all.', $said('x', new Choice(['run'], message: 'desk.say-run-all')));
    }

    public function testEverybodyIsSpokenToInTheirOwnLanguage(): void
    {
        $translator = new Translator('en');
        $translator->addLoader('array', new ArrayLoader());
        $translator->addResource(
            'array',
            ['a.n' => '{n, plural, one {# door} other {# doors}}'],
            'en',
            'words+intl-icu'
        );
        $translator->addResource(
            'array',
            ['a.n' => '{n, plural, one {# Tür} other {# Türen}}'],
            'de',
            'words+intl-icu'
        );
        $translator->setFallbackLocales(['en']);
        $speech = new Speech($translator);
        $said = Said::with('a.n', n: 2);
        self::assertSame('2 doors', $speech->say($said));
        self::assertSame('2 Türen', $speech->say($said, 'de'));
        self::assertSame('2 doors', $speech->say($said, 'fr'));
        $switcher = new LocaleSwitcher('en', [$translator]);
        $ask = new RequestEvent(self::createStub(HttpKernelInterface::class), $request = new Request(), 1);
        $tokens = new TokenStorage();
        $listener = new OwnLanguage($tokens, $switcher);
        $listener($ask);
        self::assertSame('2 doors', $speech->say($said), 'Nobody is signed in.');
        $tokens->setToken(
            new PostAuthenticationToken(
                new Caller(Id::NONE, '', '', 'staff', '', null, 0, false, [], language: 'de-CH'),
                'api',
                []
            )
        );
        $listener($ask);
        self::assertSame('2 Türen', $speech->say($said));
        self::assertSame('de_CH', $request->getLocale());
    }
}
