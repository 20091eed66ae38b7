<?php

declare(strict_types=1);

namespace Footnote\App\Http;

use Footnote\App\Journal\AskedOnce;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Trouble;
use Footnote\Core\Judgement\InvalidPolicy;
use Footnote\Core\Record\InvalidRecord;
use Psr\Log\LoggerInterface;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Symfony\Component\Security\Core\Exception\AccessDeniedException;
use Symfony\Component\Security\Core\Exception\AuthenticationException;

/** Turns whatever goes wrong under /api/ into a problem that a person can act on; details of faults stay in the log. */
final readonly class ProblemListener
{
    public function __construct(private LoggerInterface $logger, private AskedOnce $asked, private Labels $labels)
    {
    }

    #[AsEventListener(priority: -64)]
    public function answer(ExceptionEvent $event): void
    {
        if (!str_starts_with($event->getRequest()->getPathInfo(), '/api/')) {
            return;
        }
        $thrown = $event->getThrowable();
        $problem = $thrown instanceof InvalidRecord ? Problem::fields($thrown->fields()) : $thrown;
        $problem = $problem instanceof Problem ? $this->labelled($problem) : $problem;
        $done = $problem instanceof Problem ? $this->done($problem) : null;
        $event->setResponse(match (true) {
            $done !== null => ProblemResponse::kept($done),
            $problem instanceof Problem => ProblemResponse::of($problem->status, $problem->getMessage(), $problem->fields),
            $problem instanceof InvalidPolicy => ProblemResponse::of(
                422,
                'Nothing was saved. '.$problem->getMessage(),
                [['field' => $problem->path, 'problem' => $problem->getMessage()]],
            ),
            $problem instanceof AccessDeniedException => ProblemResponse::of(403, 'Your role does not allow this. Nothing was changed.'),
            $problem instanceof AuthenticationException => ProblemResponse::of(401, 'Sign in first.'),
            $problem instanceof HttpExceptionInterface => ProblemResponse::of($problem->getStatusCode(), match ($problem->getStatusCode()) {
                404 => 'There is nothing at this address.',
                405 => 'This address does not take that method.',
                default => 'The request could not be read.',
            }),
            ($trouble = Trouble::of($problem)) !== null => $this->troubled($trouble, $problem),
            default => $this->internal($problem),
        });
    }

    /** Fields as the forms call them. */
    private function labelled(Problem $problem): Problem
    {
        return $problem->fields !== [] && $problem->isOfFields ? Problem::fields($problem->fields, $this->labels->of(...)) : $problem;
    }

    /**
     * A request that was carried out, and whose answer was lost, is refused when it is sent again: it is told that it was.
     *
     * @return array{at: string, made: string|null}|null
     */
    private function done(Problem $problem): ?array
    {
        try {
            return \in_array($problem->status, [409, 422], true) ? $this->asked->carriedOut() : null;
        } catch (Problem) {
            return null;
        }
    }

    /** Nothing is wrong with what was asked: it can be asked again. */
    private function troubled(Trouble $trouble, \Throwable $problem): JsonResponse
    {
        $this->logger->error('Not written: {message}', ['message' => $problem->getMessage(), 'exception' => $problem]);
        if ($trouble === Trouble::Busy) {
            $answer = ProblemResponse::of(503, 'The logbook is busy. Nothing was changed; what you typed is still on your screen.');
            $answer->headers->set('Retry-After', '3');

            return $answer;
        }

        return ProblemResponse::of(507, $trouble === Trouble::Full
            ? 'There is no room left to write, or the disk fails. Nothing was changed; what is there can be read. '
                .'Whoever keeps the machine looks after it.'
            : 'The logbook can only be read just now. Nothing was changed. Where the disk is full, whoever keeps the machine makes room.');
    }

    private function internal(\Throwable $problem): \Symfony\Component\HttpFoundation\Response
    {
        $this->logger->critical('Unexpected: {message}', ['message' => $problem->getMessage(), 'exception' => $problem]);

        return ProblemResponse::of(500, 'Something failed on the server. Nothing was changed; what you typed is still on your screen.');
    }
}
