<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Exception\AuthenticationException;
use Symfony\Component\Security\Core\Exception\CustomUserMessageAccountStatusException;
use Symfony\Component\Security\Core\Exception\TooManyLoginAttemptsAuthenticationException;
use Symfony\Component\Security\Http\Authentication\AuthenticationFailureHandlerInterface;
use Symfony\Component\Security\Http\Authentication\AuthenticationSuccessHandlerInterface;
use Symfony\Component\Security\Http\EntryPoint\AuthenticationEntryPointInterface;

/**
 * What a sign-in answers: who you are now; or one sentence that does not tell whether it was the name or the password.
 */
final readonly class SignIn implements
    AuthenticationSuccessHandlerInterface,
    AuthenticationFailureHandlerInterface,
    AuthenticationEntryPointInterface
{
    public function __construct(private Me $me, private CallerProvider $callers, private Speech $speech) {}

    public function onAuthenticationSuccess(Request $request, TokenInterface $token): Response
    {
        $caller = $token->getUser();
        \assert($caller instanceof Caller);

        $this->callers->used($caller->id);

        return new Answer($this->me->of($caller));
    }

    public function onAuthenticationFailure(Request $request, AuthenticationException $exception): Response
    {
        return $this->speech->answer(
            match (true) {
                $exception instanceof CustomUserMessageAccountStatusException =>
                    new Problem(ProblemType::SignInFailed, $exception->getMessageKey()),
                $exception instanceof TooManyLoginAttemptsAuthenticationException => self::tooMany($exception),
                default => new Problem(ProblemType::SignInFailed, 'shared.name-password-not-open'),
            },
        );
    }

    private static function tooMany(TooManyLoginAttemptsAuthenticationException $exception): Problem
    {
        $minutes = max(1, (int) ($exception->getMessageData()['%minutes%'] ?? 1));

        return new Problem(
            ProblemType::TooManyTries,
            Said::with('shared.too-many-tries-minutes', n: $minutes),
            retryAfter: 60 * $minutes,
        );
    }

    public function start(Request $request, ?AuthenticationException $authException = null): Response
    {
        return $this->speech->answer(new Problem(ProblemType::NotSignedIn, 'shared.sign-go'));
    }
}
