import Box from '@mui/material/Box';
import Dialog from '@mui/material/Dialog';
import LinearProgress from '@mui/material/LinearProgress';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Navigate, Route, Routes, useLocation } from 'react-router';
import { EditionsPage } from '../edition/EditionsPage';
import { ColumnsPage } from '../intake/ColumnsPage';
import { IntakePage } from '../intake/IntakePage';
import { SIGNED_OUT } from '../api/client';
import { LogPage } from '../log/LogPage';
import { MyselfPage } from '../people/MyselfPage';
import { PeoplePage } from '../people/PeoplePage';
import { SignIn } from '../people/SignIn';
import { KeywordsPage } from '../keyword/KeywordsPage';
import { PicturesPage } from '../picture/PicturesPage';
import { HandPage } from '../product/HandPage';
import { MissingPage } from '../product/MissingPage';
import { CategoriesPage } from '../product/CategoriesPage';
import { ClaimsPage } from '../claim/ClaimsPage';
import { ConceptsPage } from '../concept/ConceptsPage';
import { KindsPage } from '../kind/KindsPage';
import { NamesPage } from '../product/NamesPage';
import { ProductsPage } from '../product/ProductsPage';
import { VariantsPage } from '../product/VariantsPage';
import { ProofsPage } from '../proof/ProofsPage';
import { TextsPage } from '../proof/TextsPage';
import { GuidePage } from '../guide/GuidePage';
import { RangesPage } from '../range/RangesPage';
import { ResultsPage } from '../result/ResultsPage';
import { RunsPage } from '../run/RunsPage';
import { TokensPage } from '../token/TokensPage';
import { StylePage } from '../style/StylePage';
import { TemplatesPage } from '../template/TemplatesPage';
import { ChannelsPage } from '../channel/ChannelsPage';
import { FolderPage } from '../folder/FolderPage';
import { ConnectionsPage } from '../model/ConnectionsPage';
import { NewsPage } from '../news/NewsPage';
import { AuditPage } from '../audit/AuditPage';
import { Bar } from './Bar';
import { Boundary } from './Boundary';
import { SessionContext, useSessionQuery } from './session';

/** The whole house: the door, and behind it the line of work. */
export function House() {
  const session = useSessionQuery();
  const queries = useQueryClient();
  const { pathname } = useLocation();
  const [hasEnded, setEnded] = useState(false);
  useEffect(() => {
    const ended = () => setEnded(true);
    window.addEventListener(SIGNED_OUT, ended);
    return () => window.removeEventListener(SIGNED_OUT, ended);
  }, []);
  if (session.isPending) {
    return <LinearProgress aria-label="Opening" />;
  }
  if (!session.data?.signedIn) {
    return (
      <SignIn needsOwner={session.data?.needsOwner ?? false} trouble={session.error?.message} />
    );
  }
  return (
    <SessionContext.Provider value={session.data}>
      {hasEnded && (
        // The page stays as it is beneath, with all that was typed.
        <Dialog open fullWidth maxWidth="xs" aria-label="Sign in again">
          <SignIn
            needsOwner={false}
            trouble="Your session has ended. Sign in to go on; nothing you typed is lost."
            email={session.data.email}
            onSignedIn={(who) => {
              if (who !== session.data.email) window.location.reload();
              setEnded(false);
              queries.invalidateQueries();
            }}
          />
        </Dialog>
      )}
      <Bar />
      <Box component="main" sx={{ px: { xs: 2, md: 3 }, pt: 2, pb: 8 }}>
        <Boundary place={pathname}>
          <Routes>
            <Route path="/intake/:id?" element={<IntakePage />} />
            <Route path="/products/missing" element={<MissingPage />} />
            <Route path="/products/variants" element={<VariantsPage />} />
            <Route path="/products/new" element={<HandPage />} />
            <Route path="/intake/pictures" element={<PicturesPage />} />
            <Route path="/style" element={<StylePage />} />
            <Route path="/templates" element={<TemplatesPage />} />
            <Route path="/ranges" element={<RangesPage />} />
            <Route path="/keywords" element={<KeywordsPage />} />
            <Route path="/audit" element={<AuditPage />} />
            <Route path="/claims" element={<ClaimsPage />} />
            <Route path="/facts" element={<ConceptsPage />} />
            <Route path="/kinds/:id?" element={<KindsPage />} />
            <Route path="/names" element={<NamesPage />} />
            <Route path="/columns" element={<ColumnsPage />} />
            <Route path="/categories" element={<CategoriesPage />} />
            <Route path="/products/:id?" element={<ProductsPage />} />
            <Route path="/runs/:id?" element={<RunsPage />} />
            <Route path="/proofs/side-by-side" element={<TextsPage />} />
            <Route path="/proofs/:id?" element={<ProofsPage />} />
            <Route path="/editions/:id?" element={<EditionsPage />} />
            <Route path="/results" element={<ResultsPage />} />
            <Route path="/channels" element={<ChannelsPage />} />
            <Route path="/folder" element={<FolderPage />} />
            <Route path="/news" element={<NewsPage />} />
            <Route path="/connections" element={<ConnectionsPage />} />
            <Route path="/people" element={<PeoplePage />} />
            <Route path="/me" element={<MyselfPage />} />
            <Route path="/tokens" element={<TokensPage />} />
            <Route path="/log" element={<LogPage />} />
            <Route path="/guide/:page?" element={<GuidePage />} />
            <Route path="*" element={<Navigate to="/intake" replace />} />
          </Routes>
        </Boundary>
      </Box>
    </SessionContext.Provider>
  );
}
